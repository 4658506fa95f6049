import type { RipeningView } from '../../contracts/ripening-views.ts';
import { mixTitle } from '../../wording/mix-title.ts';
import { clockText, daysText } from '../../wording/time-text.ts';
import { readyWord } from '../../wording/ready-text.ts';
import type { FollowedDough } from './ripening-model.svelte.ts';

/** How the doughs stand, in one sentence: the one that wants a hand first. */
export function ripeningSentence(
	view: RipeningView,
	all: readonly FollowedDough[],
	nowMs: number,
	zone: string
): string {
	if (view.doughs.length === 0)
		return 'There is no dough to follow: nothing is ordered for this date.';
	const followed = all.filter(({ attention }) => attention.kind === 'followed');
	const [asked] = all.filter(({ attention }) => attention.kind === 'asked');
	if (followed.length === 0 && asked)
		return `Nothing was heard of ${mixTitle(asked.view)} for ${daysText(nowMs - asked.attention.heardMs)}: is it still there?`;
	if (followed.length === 0)
		return view.doughs.some((dough) => dough.endedAtMs !== null)
			? 'No dough is in its bulk any more.'
			: 'No dough is mixed yet: measure the first one at the mixer.';
	const late = followed.filter(({ card }) => card.marks.late !== null && card.marks.late <= nowMs);
	if (late[0])
		return `${mixTitle(late[0].view)} is late since ${clockText(late[0].card.marks.late ?? nowMs, zone)}.`;
	const ripe = followed.filter(({ card }) => card.marks.ripe !== null && card.marks.ripe <= nowMs);
	if (ripe[0])
		return `${mixTitle(ripe[0].view)} is ${readyWord(ripe[0].view.kind)} by its clock: look at it.`;
	const [next] = [...followed].sort(
		(a, b) => (a.card.marks.ripe ?? Infinity) - (b.card.marks.ripe ?? Infinity)
	);
	const count = followed.length === 1 ? 'One dough ferments' : `${followed.length} doughs ferment`;
	return next?.card.marks.ripe
		? `${count}; ${mixTitle(next.view)} is ${readyWord(next.view.kind)} first, at ${clockText(next.card.marks.ripe, zone)}.`
		: `${count}; none of them within three days.`;
}
