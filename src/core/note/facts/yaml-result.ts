/** The fields of front matter, as they were read. */
export type YamlFields = Record<string, unknown>;

/** What front matter says, or why and where (from 0) it cannot be read. */
export type YamlResult = { fields: YamlFields } | { problem: { message: string; line: number } };
