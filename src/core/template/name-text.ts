/** The text with which a person's page begins where no template says otherwise. */
export const personText = (handle: string): string => `---\nkind: person\nhandle: ${handle}\n---\n`;

/** The text with which a tag's page begins. */
export const tagText = (name: string): string => `---\nkind: tag\nhandle: "${name}"\n---\n`;
