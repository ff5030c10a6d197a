/** Seals and opens in the age format (age-encryption.org/v1), wherever that is computed. */
export interface Sealer {
  /** Seals so that whoever has the identity can open it. */
  seal(bytes: Uint8Array, identity: string): Promise<Uint8Array>;
  /**
   * Opens with the first identity that fits.
   *
   * @returns what was sealed, and which identity opened it
   * @throws where none fits, or it was cut short or changed
   */
  open(sealed: Uint8Array, identities: readonly string[]): Promise<{ bytes: Uint8Array; by: number }>;
  /** Seals for several, each by its recipient, the part of an identity that opens nothing. */
  sealFor(bytes: Uint8Array, recipients: readonly string[]): Promise<Uint8Array>;
  /** @param work that trying one passphrase takes, as the logarithm of its rounds (RFC 7914, N); left out, that of an invitation */
  sealByWords(bytes: Uint8Array, words: string, work?: number): Promise<Uint8Array>;
  openByWords(sealed: Uint8Array, words: string): Promise<Uint8Array>;
  newIdentity(): Promise<{ identity: string; recipient: string }>;
}
