/** The database of the browser; apart, so that who only reads it need not load the library that writes it. */
export const DATABASE_NAME = 'recado';
