import { useCallback } from 'react';
import type { Day } from '../../../core/calendar/day';
import { personText, tagText } from '../../../core/template/name-text';
import { useServices } from '../state/services';

type Kind = 'journal' | 'person' | 'tag';

/** What each begins with where there is no template for it. */
const PLAIN: Record<Kind, (name: string) => string> = { journal: () => '', person: personText, tag: tagText };

/**
 * The text with which a journal page or the page of a person or a tag begins: from its template, where there is one. Questions of the template
 * stay open. Templates that cannot be asked for now keep nothing from being stored: it begins as if there were none.
 */
export function useMadeText(): (kind: Kind, name: string, of?: Day, journal?: string | null) => Promise<string> {
  const { engine, clock } = useServices();
  return useCallback(
    async (kind, name, of = clock.now().day, journal = null) => {
      const answers = new Map(kind === 'journal' ? [] : [['handle', name]]);
      const fromTemplate = async (): Promise<string | null> => {
        const { noteFrom, templateFor } = await import('../../../core/template/from-template');
        const template = templateFor(kind, await engine.ask('templates', {}), journal);
        return template && noteFrom(template.text, { day: of, minute: clock.now().minute, name, answers }).text;
      };
      return (await fromTemplate().catch(() => null)) ?? PLAIN[kind](name);
    },
    [engine, clock],
  );
}
