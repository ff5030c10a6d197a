import type { ReactNode } from 'react';

interface LengthBarsProps {
  title: string;
  rows: readonly { key: string; name: ReactNode; value: number; said: string }[];
}

/** Values as bars side by side, each with what it says. */
export function LengthBars({ title, rows }: LengthBarsProps) {
  const most = Math.max(1, ...rows.map(({ value }) => value));
  return (
    <section aria-label={title} className="mb-6">
      <h2 className="mb-1 font-title text-[1.17rem] font-semibold">{title}</h2>
      <table className="border-collapse text-[0.93rem]">
        <tbody>
          {rows.map(({ key, name, value, said }) => (
            <tr key={key}>
              <th scope="row" className="max-w-[14rem] py-0.5 pe-4 text-start font-normal [overflow-wrap:anywhere]">
                {name}
              </th>
              <td className="py-0.5">
                <span className="flex items-center gap-2">
                  <span aria-hidden="true" className="inline-block h-[9px] bg-primary" style={{ width: `${(160 * value) / most}px` }} />
                  {said}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
