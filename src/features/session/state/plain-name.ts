const ASCII = /^[\u0020-\u007e]*$/;

/** A name as it is compared with what is typed: small letters, without accents. */
export const plainName = (name: string): string =>
  // Most names have none, and of ten thousand each is looked at at every key.
  ASCII.test(name) ? name.toLowerCase() : name.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');
