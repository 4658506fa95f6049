/** Where a letter lies, by its id, that had no database: of earlier versions, and of pages that could not open it. */
export const LOOSE_LETTERS = 'jovet.outbox.';
