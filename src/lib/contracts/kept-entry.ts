import { z } from 'zod';
import type { EntryKind } from '../core/bakery/index.ts';
import { ENTRY_CONTENTS } from './entry-schemas.ts';

/** What reads an entry that was edited and kept in the browser. Only a page that finds one fetches this file. */
export function keptEntry(kind: EntryKind) {
	return z.object({ name: z.string().max(1000), content: ENTRY_CONTENTS[kind] });
}
