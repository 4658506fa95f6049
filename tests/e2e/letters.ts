import type { Page } from 'puppeteer-core';

/** What waits to be sent, as a browser keeps it. */
export interface KeptLetter {
	readonly id: string;
	readonly place: number;
	readonly what: string;
	readonly draft: Readonly<Record<string, unknown>>;
}

/** What waits in the browser's database, in the order of its ids. */
export async function lettersIn(page: Page): Promise<readonly KeptLetter[]> {
	return page.evaluate(
		() =>
			new Promise<KeptLetter[]>((resolve, reject) => {
				const opened = indexedDB.open('jovet');
				opened.onerror = () => reject(opened.error!);
				opened.onsuccess = () => {
					const all = opened.result.transaction('letters').objectStore('letters').getAll();
					all.onsuccess = () => {
						opened.result.close();
						resolve(all.result as KeptLetter[]);
					};
				};
			})
	);
}

/** Empties what waits, as somebody who clears the browser's data does. */
export const clearLetters = (page: Page): Promise<void> => putLetters(page, null);

/** Puts more among what waits; empties it where it is null. */
export async function putLetters(page: Page, letters: readonly KeptLetter[] | null): Promise<void> {
	await page.evaluate(
		(letters) =>
			new Promise<void>((resolve, reject) => {
				const opened = indexedDB.open('jovet');
				opened.onerror = () => reject(opened.error!);
				opened.onsuccess = () => {
					const writing = opened.result.transaction('letters', 'readwrite');
					const store = writing.objectStore('letters');
					if (letters === null) store.clear();
					for (const letter of letters ?? []) store.put(letter, letter.id);
					writing.oncomplete = () => {
						opened.result.close();
						resolve();
					};
				};
			}),
		letters
	);
}
