import type { FoundPlan } from '../../contracts/plan-protocol.ts';
import {
	shiftOfNight,
	type BakeDayInput,
	type DayPlan,
	type HeldTo,
	type PlanWish
} from '../../core/planning/index.ts';
import { formatMinutes } from '../../core/units/index.ts';
import { peopleText } from '../../wording/task-text.ts';
import { clockText } from '../../wording/time-text.ts';
import { spareOf } from './plan-sentence.ts';
import { wishText } from './wish-text.ts';

/** What a night is held to, in words. */
export function heldText(
	held: HeldTo,
	plan: DayPlan | null,
	input: BakeDayInput,
	zone: string
): string {
	switch (held.kind) {
		case 'drop': {
			const drop = input.drops.find(({ id }) => id === held.dropId);
			return drop ? `${drop.name} packed by ${clockText(drop.readyByMs, zone)}` : 'A drop';
		}
		case 'day-off':
			return `${peopleText([held.personId], input)} is off`;
		case 'hours': {
			const person = input.people?.find(({ id }) => id === held.personId);
			const shift = person && shiftOfNight(person, input);
			const who = peopleText([held.personId], input);
			return shift
				? `${who} from ${clockText(shift.fromMs, zone)} to ${clockText(shift.toMs, zone)}`
				: who;
		}
		case 'wish':
			return wishText(held.wish, plan, input, zone);
	}
}

/** What a way out asks for: of somebody, or of the baker's own wishes. */
export function askedText(
	givenUp: readonly HeldTo[],
	{ placement, plan }: Pick<FoundPlan, 'placement' | 'plan'>,
	wishes: readonly PlanWish[],
	input: BakeDayInput,
	zone: string
): string {
	const letGo = givenUp.flatMap((held) =>
		held.kind === 'wish' ? [`Let go: ${wishText(held.wish, plan, input, zone)}`] : []
	);
	const before = new Set(wishes.map((wish) => JSON.stringify(wish)));
	const asked = placement.wishes
		.filter((wish) => !before.has(JSON.stringify(wish)))
		.map((wish) => askedOf(wish, plan, input, zone));
	return [...letGo, ...asked].join('; ');
}

function askedOf(wish: PlanWish, plan: DayPlan, input: BakeDayInput, zone: string): string {
	const told = wishText(wish, plan, input, zone);
	if (wish.kind === 'drop-later') {
		const drop = plan.drops.find(({ dropId }) => dropId === wish.dropId);
		return drop ? `${told}, packed by ${clockText(drop.readyByMs, zone)}` : told;
	}
	if (wish.kind !== 'there-too') return told;
	const who = peopleText([wish.personId], input);
	const there = input.people?.find(({ id }) => id === wish.personId)?.there ?? [];
	const minutes = formatMinutes((wish.toMs - wish.fromMs) / 60_000);
	if (there.some(({ toMs }) => toMs === wish.fromMs))
		return `${who} stays until ${clockText(wish.toMs, zone)}, ${minutes} longer`;
	if (there.some(({ fromMs }) => fromMs === wish.toMs))
		return `${who} comes at ${clockText(wish.fromMs, zone)}, ${minutes} sooner`;
	return `${who} comes in from ${clockText(wish.fromMs, zone)} to ${clockText(wish.toMs, zone)}`;
}

/** What the night has to spare then: of the drop that has least. */
export function thenText({ plan }: Pick<FoundPlan, 'plan'>): string {
	const spares = plan.drops.flatMap((drop) => {
		const spare = spareOf(drop);
		return spare === null ? [] : [{ name: drop.name, spare }];
	});
	const [least] = spares.toSorted((a, b) => a.spare - b.spare);
	if (!least) return '';
	return least.spare === 0
		? `Then every drop holds, ${least.name} with nothing to spare.`
		: `Then every drop holds, ${least.name} with ${formatMinutes(least.spare)} to spare.`;
}
