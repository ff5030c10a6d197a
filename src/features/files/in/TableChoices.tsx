import { CSV_FIELDS, type CsvField, type CsvMap } from '../../../core/formats/in/csv-in';
import type { TableReading } from '../../../core/formats/in/incoming';
import type { ShownTable } from '../../../engine/files/bring-in';
import { Choice } from '../../../ui/form/Choice';
import { counted } from '../../session/acting/use-act';

interface TableChoicesProps {
  table: ShownTable;
  onChange: (reading: TableReading) => void;
}

/** The first rows of a table, and what each of its columns becomes. */
export function TableChoices({ table, onChange }: TableChoicesProps) {
  const { path, columns, rows, count, map, order } = table;
  const fieldOf = (column: string): CsvField | undefined => CSV_FIELDS.find((field) => map[field] === column);
  const change = (column: string, chosen: string): void => {
    const next: CsvMap = {};
    // A field has one column: what had it before becomes nothing.
    for (const field of CSV_FIELDS) if (map[field] !== undefined && map[field] !== column && field !== chosen) next[field] = map[field];
    const field = CSV_FIELDS.find((one) => one === chosen);
    if (field) next[field] = column;
    onChange({ map: next, order });
  };
  return (
    <section className="grid grid-cols-1 gap-2" aria-label={path}>
      <h3 className="section-label">
        {path}: {counted(count, 'row')}
      </h3>
      <div className="overflow-x-auto rounded-md border border-line" tabIndex={0} role="region" aria-label={`First rows of ${path}`}>
        <table className="w-full border-collapse text-[0.9rem]">
          <thead>
            <tr className="text-start align-top">
              {columns.map((column, index) => (
                <th key={index} scope="col" className="border-b border-line p-1.5 text-start font-semibold">
                  <span className="block max-w-[14rem] truncate">{column === '' ? 'without a name' : column}</span>
                  <select
                    className="field mt-1 w-auto min-w-[7rem] font-normal"
                    aria-label={`${column} becomes`}
                    value={fieldOf(column) ?? ''}
                    onChange={(event) => change(column, event.target.value)}
                  >
                    <option value="">nothing</option>
                    {CSV_FIELDS.map((field) => (
                      <option key={field} value={field}>
                        {field}
                      </option>
                    ))}
                  </select>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((cells, row) => (
              <tr key={row}>
                {columns.map((_, index) => (
                  <td key={index} className="max-w-[14rem] truncate border-b border-line p-1.5 text-muted">
                    {cells[index] ?? ''}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {table.asksOrder && (
        <Choice
          label="Days such as 3/4/2026"
          value={order}
          options={[
            ['day first', '3 April'],
            ['month first', '4 March'],
          ]}
          onChoose={(chosen) => onChange({ map, order: chosen })}
        />
      )}
    </section>
  );
}
