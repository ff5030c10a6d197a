/**
 * A gather as the block that a note holds.
 *
 * @example gatherBlock('open and late') // '```gather\nopen and late\n```\n'
 */
export const gatherBlock = (text: string): string => `\`\`\`gather\n${text.trim()}\n\`\`\`\n`;
