/** The file of an export that says which lines hang together with which tasks of outside lists; no key stands in it. */
export const OUTSIDE_FILE = 'recado-outside.json';
