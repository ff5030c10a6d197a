/** A picture as it lies in the store; one of a sealed note is sealed too. */
export interface StoredPicture {
  /** Its folded path. */
  key: string;
  path: string;
  bytes: Uint8Array;
  /** Milliseconds since 1970. */
  changed: number;
}
