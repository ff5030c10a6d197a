import type { Series } from '../../../core/gather/forms/series';

/** The figures of bars or curves as comma-separated values (RFC 4180): a line for each key, a column for each series. */
export function figuresCsv(by: string, measure: string, series: readonly Series[]): string {
  const [first] = series;
  const head = [by, ...series.map(({ label }) => (label === '' ? measure : label))];
  const lines = (first?.values ?? []).map(({ key, label }, at) => [
    key ?? label,
    ...series.map(({ values }) => String(values[at]?.value ?? 0)),
  ]);
  return [head, ...lines].map((line) => `${line.map(quoted).join(',')}\r\n`).join('');
}

const quoted = (words: string): string => (/[",\r\n]/.test(words) ? `"${words.replaceAll('"', '""')}"` : words);
