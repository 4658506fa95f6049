import type { Page } from 'puppeteer-core';
import { type } from './bakery.ts';

/** A row of the bench's list that is to be done now, as somebody in front of the screen reads it. */
export interface DueRow {
	readonly what: string;
	readonly state: string;
	readonly said: string;
}

/** What a crew does otherwise than it is told; each of them once is enough of a night. */
export interface Crew {
	/** Looks at what is due before it is done; true when it was seen to in another way than by its own button. */
	readonly otherwise: (page: Page, row: DueRow) => Promise<boolean>;
	/** How many times as long as its book a piece of work takes these hands. */
	readonly pace: (what: string) => number;
	/** Whether the night is over. */
	readonly isOver: (page: Page) => Promise<boolean>;
}

/** What is due now, of all that the page shows. */
async function dueRows(page: Page): Promise<readonly DueRow[]> {
	return page.$$eval('[data-work]', (all) =>
		all
			.filter((row) => row.closest('ol')?.previousElementSibling?.textContent?.trim() === 'now')
			.map((row) => ({
				what: row.getAttribute('data-work') ?? '',
				state: row.getAttribute('data-work-state') ?? '',
				said: (row.textContent ?? '').replace(/\s+/g, ' ')
			}))
	);
}

/** Takes work in hand and waits until it is there; another screen may have taken it away meanwhile. */
export async function takeInHand(page: Page, what: string): Promise<boolean> {
	const row = `[data-work="${what}"]`;
	if (!(await page.$(row))) return false;
	await page.$eval(row, (button) => {
		(button as HTMLElement).click();
	});
	// Its buttons hear nothing for a moment, so that a tap meant for what stood there before does not land on it.
	const hears = `[data-hand="${what}"] .actions button:not([disabled])`;
	return page.waitForSelector(hears, { timeout: 4000 }).then(
		() => true,
		() => false
	);
}

/** Presses the first button in a part of the page that begins with these words; false when there is none to press. */
export async function pressIn(page: Page, scope: string, words: string): Promise<boolean> {
	return page.evaluate(
		(scope, words) => {
			const button = [...document.querySelectorAll<HTMLButtonElement>(`${scope} button`)].find(
				(one) =>
					!one.disabled && (one.textContent ?? '').replace(/\s+/g, ' ').trim().startsWith(words)
			);
			button?.click();
			return button !== undefined;
		},
		scope,
		words
	);
}

/** Waits until the page's own clock or list has moved on; what it shows is read, never guessed. */
export async function untilMoved(page: Page): Promise<void> {
	const shown = () =>
		[...document.querySelectorAll('[data-work]')]
			.map((row) => `${row.getAttribute('data-work-state')}${row.textContent}`)
			.join();
	const before = await page.evaluate(shown);
	await page
		.waitForFunction(
			(before) =>
				[...document.querySelectorAll('[data-work]')]
					.map((row) => `${row.getAttribute('data-work-state')}${row.textContent}`)
					.join() !== before,
			// At every frame it would be most of what the page does.
			{ timeout: 5000, polling: 200 },
			before
		)
		.catch(() => undefined);
}

/** Minutes that begun work still has, as its row says; 0 when it is due. */
function minutesToGo(said: string): number {
	const found = /(?:(\d+) h )?(\d+) min to go/.exec(said);
	return found ? Number(found[1] ?? 0) * 60 + Number(found[2]) : 0;
}

/** Brings a night through as a crew does: what is due is taken in hand and tapped, until it is over. */
export async function bringThrough(page: Page, crew: Crew, rate: number): Promise<void> {
	/** When slow hands end what they have begun, by the time of this machine. */
	const endsAt = new Map<string, number>();
	const seenTo = new Set<string>();
	while (!(await crew.isOver(page))) {
		const rows = await dueRows(page);
		const due = rows.find(({ what, state, said }) => {
			if (seenTo.has(what)) return false;
			if (state !== 'begun') return state === 'open' || state === 'put-off';
			return minutesToGo(said) === 0 && Date.now() >= (endsAt.get(what) ?? 0);
		});
		if (!due || !(await takeInHand(page, due.what))) {
			await untilMoved(page);
			continue;
		}
		if (await crew.otherwise(page, due)) {
			seenTo.add(due.what);
			continue;
		}
		const slow = crew.pace(due.what);
		const begins =
			slow > 1 && due.state !== 'begun' && (await pressIn(page, '[data-hand]', 'Begin'));
		if (begins) {
			const begun = await page
				.waitForSelector(`[data-work="${due.what}"][data-work-state=begun]`, { timeout: 4000 })
				.catch(() => null);
			const said = (await begun?.evaluate((row) => row.textContent)) ?? '';
			endsAt.set(due.what, Date.now() + (minutesToGo(said) * slow * 60_000) / rate);
			continue;
		}
		const pressed =
			(await pressIn(page, '[data-hand]', 'Out, not')) ||
			(await pressIn(page, '[data-hand]', 'Done')) ||
			(await pressIn(page, '[data-hand]', 'Begin'));
		if (pressed) await untilMoved(page);
		else seenTo.add(due.what);
	}
}

/** Types what was measured at work in hand. */
export async function measured(page: Page, label: string, value: string): Promise<void> {
	await page.bringToFront();
	await type(page, label, value, 'Tab');
}
