import assert from 'node:assert/strict';
import axe from 'axe-core';
import type { Page } from 'puppeteer-core';
import { SIZES } from './bakery.ts';

/** A light and a screen to look at a page in. */
export interface Look {
	readonly appearance: 'paper' | 'ember';
	readonly size: { readonly width: number; readonly height: number };
}

/** By day at the desk, by night on the tablet. */
export const LOOKS: readonly Look[] = [
	{ appearance: 'paper', size: SIZES.desk },
	{ appearance: 'ember', size: SIZES.tablet }
];

/** The page as it stands has no accessibility fault and is no wider than the screen, in each of the looks. */
export async function standsEachLook(
	page: Page,
	name: string,
	looks: readonly Look[] = LOOKS
): Promise<void> {
	for (const { appearance, size } of looks) {
		await page.setViewport(size);
		// As the switch of the frame does it; charts draw themselves anew.
		const wider = await page.evaluate(async (appearance) => {
			document.documentElement.dataset.appearance = appearance;
			await new Promise((drawn) =>
				requestAnimationFrame(() => requestAnimationFrame(() => requestAnimationFrame(drawn)))
			);
			return document.documentElement.scrollWidth - window.innerWidth;
		}, appearance);
		const where = `${name}, ${appearance}, ${size.width}`;
		assert.ok(wider <= 0, `${where} is ${wider} px wider than the screen`);
		assert.deepEqual(await accessibilityFaults(page), [], where);
	}
}

/** Accessibility faults of the page as it stands once what fades over has done so, by axe-core. */
export async function accessibilityFaults(page: Page): Promise<string[]> {
	if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
	// Nothing fades on a page that is not in front.
	await page.bringToFront();
	return page.evaluate(async () => {
		await Promise.all(
			document
				.getAnimations()
				.filter(({ effect }) => Number(effect?.getComputedTiming().endTime) < 5000)
				.map(({ finished }) => finished.catch(() => null))
		);
		const { axe: check } = window as unknown as {
			axe: {
				run: (
					context: Document,
					options: {
						rules: Record<string, { enabled: boolean }>;
						resultTypes: readonly string[];
						preload: boolean;
					}
				) => Promise<{
					violations: {
						id: string;
						nodes: { target: string[]; failureSummary: string }[];
					}[];
				}>;
			};
		};
		const { violations } = await check.run(document, {
			rules: { 'label-content-name-mismatch': { enabled: true } },
			// What passes is not asked for, and nothing that it would load beforehand: there are no other origins and no media.
			resultTypes: ['violations'],
			preload: false
		});
		return violations.flatMap((violation) =>
			violation.nodes.map(
				(node) => `${violation.id}: ${node.target.join(' ')} ${node.failureSummary}`
			)
		);
	});
}

/**
 * What a hand on a phone would stumble over: a page wider than the screen, something too small for a finger, a field
 * that no browser can fill in again. A link within a sentence is as high as its line.
 */
export async function handFaults(page: Page): Promise<string[]> {
	return page.evaluate(() => {
		const faults: string[] = [];
		const wider = document.documentElement.scrollWidth - innerWidth;
		if (wider > 0) faults.push(`${wider} px wider than the screen`);
		for (const element of document.querySelectorAll('a[href], button, input, select, summary')) {
			const told = (element.getAttribute('aria-label') ?? element.textContent ?? '').trim();
			const name = `${element.tagName} ${told.slice(0, 60)}`;
			const { width, height } = (
				element.matches('[type=radio], [type=checkbox]')
					? (element.closest('label') ?? element)
					: element
			).getBoundingClientRect();
			const style = getComputedStyle(element);
			// What only machines see is a pixel large: a button stands for it.
			const isThere = width > 1 && height > 1 && style.visibility !== 'hidden';
			const inSentence = element.tagName === 'A' && style.display === 'inline';
			if (
				isThere &&
				!inSentence &&
				!element.closest('.sr-only, .skip') &&
				(width < 43.5 || height < 43.5)
			)
				faults.push(`${name} is ${Math.round(width)} by ${Math.round(height)}`);
			if (element.matches('input, select') && !element.id && !element.getAttribute('name'))
				faults.push(`${name} has neither id nor name`);
		}
		return faults;
	});
}
