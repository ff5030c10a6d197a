/** The text with which a person's page begins where no template says otherwise. */
export const personText = (handle: string): string => `---\nkind: person\nhandle: ${handle}\n---\n`;
