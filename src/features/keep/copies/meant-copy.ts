/** A copy that is looked at: what it is called, and its bytes. */
export interface MeantCopy {
  name: string;
  content: Blob;
}
