/** A gather in plain English. */
export function Sentence({ text }: { text: string }) {
  return <p className="mb-1.5 text-[0.86rem] text-muted">{text === '' ? 'The gather cannot be read yet.' : text}</p>;
}
