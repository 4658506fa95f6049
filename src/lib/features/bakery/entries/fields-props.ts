import type { EntriesView } from '../../../contracts/bakery-views.ts';
import type { EntryContents, EntryKind } from '../../../core/bakery/index.ts';

/** What the fields of every kind of entry are given. */
export interface FieldsProps<K extends EntryKind> {
	content: EntryContents[K];
	/** The page they stand on. */
	view: EntriesView<K>;
	onSet: (content: EntryContents[K]) => void;
}
