/** What an archive of a whole bakery says it is, and in which version it is written. */
export const ARCHIVE_FORMAT = 'jovet-bakery';
export const ARCHIVE_VERSION = 1;

/** Why an archive was not taken; nothing of it is here then. */
export type ArchiveProblem =
	/** There is a bakery here already: an archive goes into an empty one. */
	| { readonly kind: 'not-empty' }
	/** No archive at all, or of something else. */
	| { readonly kind: 'another-format' }
	/** Written by a later Jovet, or by an earlier one whose data this one would have to change. */
	| { readonly kind: 'other-data'; readonly theirs: string; readonly ours: string }
	/** It ends too soon, or something in it is other than it was written. */
	| { readonly kind: 'damaged'; readonly where: string }
	/** It unpacks to more than any bakery has. */
	| { readonly kind: 'too-large' }
	/** What stands in it cannot be. */
	| { readonly kind: 'does-not-fit'; readonly where: string }
	| { readonly kind: 'database-unavailable' }
	/** The disk of the database is full, or damaged. */
	| { readonly kind: 'no-room' };

export type ArchiveAnswer =
	| { readonly outcome: 'done'; readonly rows: number }
	| { readonly outcome: 'refused'; readonly problem: ArchiveProblem };
