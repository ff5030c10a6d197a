import { InlineText } from '../../../ui/InlineText';

/** The words of an agenda page between its lists: headings, and paragraphs with their line breaks. */
export function Prose({ text, spans }: { text: string; spans: boolean }) {
  return (
    <div className={`mb-3 ${spans ? 'md:col-span-full' : ''}`}>
      {blocksOf(text).map(({ heading, words }, index) =>
        heading ? (
          <h2 key={index} className="mt-3 font-title text-[1.3rem] font-bold">
            <InlineText text={words} leads />
          </h2>
        ) : (
          <p key={index} className="whitespace-pre-line text-muted">
            <InlineText text={words} leads />
          </p>
        ),
      )}
    </div>
  );
}

interface Block {
  heading: boolean;
  words: string;
}

function blocksOf(text: string): Block[] {
  const blocks: Block[] = [];
  let open = false;
  for (const line of text.split('\n')) {
    const heading = /^#{1,6}\s+(.*)$/.exec(line);
    const last = blocks[blocks.length - 1];
    if (heading) blocks.push({ heading: true, words: heading[1] ?? '' });
    else if (line.trim() !== '' && open && last) last.words += `\n${line}`;
    else if (line.trim() !== '') blocks.push({ heading: false, words: line });
    open = !heading && line.trim() !== '';
  }
  return blocks;
}
