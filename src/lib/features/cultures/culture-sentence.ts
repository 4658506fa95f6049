import { announcementText, type Telling } from '../../wording/culture-text.ts';
import { momentText } from '../../wording/time-text.ts';
import type { CultureNow } from './culture-model.svelte.ts';

/** How the cultures stand, in one sentence: the one that presses most first. */
export function culturesSentence(all: readonly CultureNow[], tell: Telling): string {
	if (all.length === 0)
		return 'There is no culture in the book: add an ingredient of that kind first.';
	for (const { view, told } of all) {
		const [first] = told.map((one) => announcementText(one, tell)).filter(({ presses }) => presses);
		if (first) return `${view.name}: ${first.label.toLowerCase()}. ${first.text}`;
	}
	const started = all.find(({ start }) => start !== null);
	if (started?.start)
		return `${started.view.name} is on day ${started.start.day} of its start; next at ${momentText(started.start.next.dueMs, tell.nowMs, tell.zone)}.`;
	const bare = all.find(({ view }) => view.keeping === null);
	if (bare) return `${bare.view.name} is in the book; nobody said yet how it is kept.`;
	const next = all
		.flatMap(({ view }) => view.uses.map((use) => ({ use, name: view.name })))
		.sort((a, b) => a.use.atMs - b.use.atMs)[0];
	return next
		? `There is enough of every culture for the week; ${next.name} is taken next, at ${momentText(next.use.atMs, tell.nowMs, tell.zone)}.`
		: 'Nothing takes from a culture this week.';
}
