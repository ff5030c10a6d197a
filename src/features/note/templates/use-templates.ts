import type { Template } from '../../../core/index/questions/forms';
import { useAsked } from '../../session/asked/use-asked';

/** The templates, by path; null until they are known. */
export const useTemplates = (): readonly Template[] | null => useAsked('templates', {}) ?? null;
