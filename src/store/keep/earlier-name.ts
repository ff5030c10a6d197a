/** The file of an export that holds the texts that notes had before. */
export const EARLIER_FILE = 'recado-earlier.json';
