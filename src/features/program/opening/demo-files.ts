/** The demo's notes by their path in the repository, in one piece that is loaded when it is asked for. */
export const DEMO_FILES = import.meta.glob<string>('/demo/**/*.md', { query: '?raw', import: 'default', eager: true });
