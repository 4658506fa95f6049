import type { Page } from 'puppeteer-core';
import { clockText } from '../../src/lib/wording/time-text.ts';
import { byName } from './bakery.ts';

/** What the bakery's wall shows at a moment. */
export const wallOf = (ms: number) =>
	`${new Date(ms).toISOString().slice(0, 10)}T${clockText(ms, 'Europe/London')}`;

/** Presses a button once a hand may: what has just changed under it meets nothing for a moment. */
export async function press(page: Page, name: string): Promise<void> {
	await page.bringToFront();
	const button = await byName(page, 'button', name);
	await page.waitForFunction((one) => !(one as HTMLButtonElement).disabled, {}, button);
	await button.click();
}

/** Waits until a work is in hand, in a state. */
export const inHand = (page: Page, what: string, state: string) =>
	page.waitForSelector(`[data-hand="${what}"][data-hand-state=${state}]`);

/** Notes every state in which a work is shown from now on; gives the way to read them. */
export async function statesSeen(
	page: Page,
	what: string
): Promise<() => Promise<readonly string[]>> {
	const seen = await page.evaluateHandle((what) => {
		const states = new Set<string>();
		new MutationObserver(() =>
			states.add(
				document.querySelector(`[data-work="${what}"]`)?.getAttribute('data-work-state') ??
					'not shown'
			)
		).observe(document.body, { attributes: true, childList: true, subtree: true });
		return states;
	}, what);
	return () => seen.evaluate((states) => [...states]);
}

/** Keeps what the server answers to the next command from the page, until it is let go. */
export async function holdAnswer(page: Page): Promise<() => Promise<void>> {
	await page.evaluate(() => {
		const fetched = window.fetch.bind(window);
		const held = new Promise<void>((resolve) => addEventListener('answer-let-go', () => resolve()));
		window.fetch = async (...asked) => {
			const answer = await fetched(...asked);
			if (asked[0] === '/commands') await held;
			return answer;
		};
	});
	return () => page.evaluate(() => void dispatchEvent(new Event('answer-let-go')));
}
