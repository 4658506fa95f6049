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

/** Puts something among what waits, or empties it where it is null. */
export async function putLetter(page: Page, letter: KeptLetter | null): Promise<void> {
	await page.evaluate(
		(letter) =>
			new Promise<void>((resolve, reject) => {
				const opened = indexedDB.open('jovet');
				opened.onerror = () => reject(opened.error!);
				opened.onsuccess = () => {
					const writing = opened.result.transaction('letters', 'readwrite');
					const store = writing.objectStore('letters');
					if (letter) store.put(letter, letter.id);
					else store.clear();
					writing.oncomplete = () => {
						opened.result.close();
						resolve();
					};
				};
			}),
		letter
	);
}
