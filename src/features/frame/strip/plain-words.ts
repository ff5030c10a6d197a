import { withoutSigns } from '../../../core/formats/out/plain-words';
import { bareWords } from '../../../core/note/blocks/bare-words';

/** The words of a line as they are read aloud, without the signs of links and emphasis. */
export const plainWords = (text: string): string => bareWords(withoutSigns(text).replace(/\[([^\]]*)\]\([^)]*\)/g, '$1'));
