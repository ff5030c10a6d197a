import { parseDocument } from 'yaml';
import type { YamlFields, YamlResult } from './yaml-result';

/** Reads front matter by the YAML library (YAML 1.2, core schema). */
export function readYaml(body: readonly string[]): YamlResult {
  try {
    const document = parseDocument(body.join('\n'), { prettyErrors: false, uniqueKeys: false, logLevel: 'error' });
    const error = document.errors[0];
    if (error) {
      const before = body.join('\n').slice(0, error.pos[0]);
      return { problem: { message: plainYamlMessage(error.message), line: before.split('\n').length } };
    }
    const value: unknown = document.toJS({ maxAliasCount: 50 });
    return typeof value === 'object' && value !== null && !Array.isArray(value)
      ? { fields: value as YamlFields }
      : { problem: { message: 'The front matter holds no names with values.', line: 1 } };
  } catch {
    return { problem: { message: 'The front matter cannot be read as YAML.', line: 1 } };
  }
}

function plainYamlMessage(message: string): string {
  const first = message.split('\n')[0] ?? message;
  return `The front matter cannot be read as YAML: ${first.replace(/\.$/, '')}.`;
}
