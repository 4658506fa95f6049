import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Letter } from './letter-schema.ts';
import { LOOSE_LETTERS } from './loose-letters.ts';

interface Places extends DBSchema {
	/** What another version of the application wrote may look otherwise. */
	letters: { key: string; value: unknown };
}

/** With less room than this somebody is told, before it is full. */
const LITTLE_ROOM_BYTES = 20_000_000;
const NAME = 'jovet';
const VERSION = 1;

/** What waits to be sent, in this browser's database. It outlives the page, the browser and the version. */
export class LetterStore {
	private constructor(private readonly db: IDBPDatabase<Places>) {}

	/** Opens it, and takes over what lies elsewhere. Fails where a browser keeps nothing. */
	static async open(): Promise<LetterStore> {
		const db = await openDB<Places>(NAME, VERSION, {
			upgrade: (fresh) => void fresh.createObjectStore('letters')
		});
		// A later version may want to change it while this page stands open.
		db.addEventListener('versionchange', () => db.close());
		const store = new LetterStore(db);
		await store.#takeOver();
		return store;
	}

	/**
	 * What waits, in the order in which it was made; and how many cannot be read by this version. They stay. Null where what reads them
	 * could not be fetched, as without a network.
	 */
	async all(): Promise<{ readonly letters: readonly Letter[]; readonly unread: number } | null> {
		const kept = await this.db.getAll('letters');
		// What reads them is fetched where there are some.
		if (kept.length === 0) return { letters: [], unread: 0 };
		const reader = await import('./schemas-without-eval.ts')
			.then(() => import('./letter-schema.ts'))
			.catch(() => null);
		if (!reader) return null;
		const letters = kept.flatMap((one) => {
			const read = reader.letterSchema.safeParse(one);
			return read.success ? [read.data] : [];
		});
		return {
			letters: letters.sort((a, b) => a.place - b.place),
			unread: kept.length - letters.length
		};
	}

	async put(letter: Letter): Promise<void> {
		await this.db.put('letters', letter, letter.id);
	}

	/**
	 * Writes again what should stand here and does not: somebody emptied it, or it had no room. True where something that was written
	 * once was gone.
	 */
	async mend(letters: readonly Letter[], unwritten: readonly string[]): Promise<boolean> {
		const ids = await this.db.getAllKeys('letters');
		const missing = letters.filter(({ id }) => !ids.includes(id));
		for (const letter of missing) await this.put(letter);
		return missing.some(({ id }) => !unwritten.includes(id));
	}

	/** Whether this device has little room left for what waits. */
	static async hasLittleRoom(): Promise<boolean> {
		if (!('storage' in navigator)) return false;
		const { quota = Infinity, usage = 0 } = await navigator.storage.estimate();
		return quota - usage < LITTLE_ROOM_BYTES;
	}

	async delete(id: string): Promise<void> {
		await this.db.delete('letters', id);
	}

	async #takeOver(): Promise<void> {
		for (const place of Object.keys(localStorage).filter((key) => key.startsWith(LOOSE_LETTERS))) {
			const id = place.slice(LOOSE_LETTERS.length);
			try {
				await this.db.put('letters', JSON.parse(localStorage.getItem(place) ?? 'null'), id);
			} catch {
				// What is no JSON was none of ours.
				continue;
			}
			localStorage.removeItem(place);
		}
	}
}
