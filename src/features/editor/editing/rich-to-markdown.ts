import Turndown from 'turndown';

const turndown = new Turndown({ headingStyle: 'atx', bulletListMarker: '-', codeBlockStyle: 'fenced', emDelimiter: '*' });
turndown.remove(['script', 'style', 'title']);
// One space behind the marker, as people write it, and checkboxes as boxes.
turndown.addRule('item', {
  filter: 'li',
  replacement: (content, node) => {
    const parent = node.parentElement;
    const box = node.querySelector(
      ':scope > input[type="checkbox"], :scope > p > input[type="checkbox"], :scope > label > input[type="checkbox"]',
    );
    const number = parent?.nodeName === 'OL' ? `${[...parent.children].indexOf(node) + Number(parent.getAttribute('start') ?? 1)}.` : '-';
    const words = content
      .trim()
      .replace(/\n{2,}/g, '\n')
      .replace(/\n/g, `\n${' '.repeat(number.length + 1)}`);
    const sign = box ? `[${box.hasAttribute('checked') ? 'x' : ' '}] ` : '';
    return `${number} ${sign}${words}${node.nextSibling ? '\n' : ''}`;
  },
});

/** Rich text as Markdown. Nothing in it runs: it is read as a document of its own, and only its text and marks are kept. */
export function richToMarkdown(html: string): string {
  return turndown.turndown(html).trim();
}
