import {
	batchKey,
	type BakeDayInput,
	type DayPlan,
	type PlanWish
} from '../../core/planning/index.ts';
import { formatMinutes } from '../../core/units/index.ts';
import { activityText, machineText, peopleText, subjectText } from '../../wording/task-text.ts';
import { clockText } from '../../wording/time-text.ts';
import { dropName } from './what-if-text.ts';

/** What the baker wants so, in words. */
export function wishText(
	wish: PlanWish,
	plan: DayPlan | null,
	input: BakeDayInput,
	zone: string
): string {
	switch (wish.kind) {
		case 'more-to-spare':
			return `${dropName(wish.dropId, input)}: ${wish.minutes} min more to spare`;
		case 'deck-down':
			return `${machineText(wish.deckId, input)} is down`;
		case 'away':
			return `${peopleText([wish.personId], input)} is away from ${clockText(wish.fromMs, zone)}`;
		case 'flour-from':
			return `Nothing is mixed before ${clockText(wish.atMs, zone)}: the flour comes then`;
		case 'drop-later':
			return `${dropName(wish.dropId, input)} waits ${formatMinutes(wish.minutes)}`;
		case 'in-loads':
			return `${batchName(wish.batch, plan, input)} in ${wish.loads} loads`;
		case 'to-the-cold': {
			const place = input.bakery.coldPlaces.find(({ id }) => id === wish.placeId);
			return `${batchName(wish.batch, plan, input)} goes to the ${place?.name.toLowerCase() ?? 'cold'}`;
		}
		case 'there-too':
			return `${peopleText([wish.personId], input)} is there from ${clockText(wish.fromMs, zone)} to ${clockText(wish.toMs, zone)} too`;
		default: {
			const task = plan?.tasks.find((one) => one.id === wish.task);
			const what = task ? `${activityText(task)} ${subjectText(task, input)}` : 'Something';
			switch (wish.kind) {
				case 'start':
					return `${what} at ${clockText(wish.atMs, zone)}`;
				case 'not-before':
					return `${what} not before ${clockText(wish.atMs, zone)}`;
				case 'deck':
					return `${what} on ${machineText(wish.deckId, input)}`;
				case 'not-deck':
					return `${what} not on ${machineText(wish.deckId, input)}`;
				case 'not-person':
					return `${what} not by ${peopleText([wish.personId], input)}`;
				case 'person':
					return `${what} by ${peopleText([wish.personId], input)}`;
			}
		}
	}
}

/** Whose it is, as any of its tasks tells it. */
function batchName(batch: string, plan: DayPlan | null, input: BakeDayInput): string {
	const task = plan?.tasks.find((one) => batchKey(one.batch) === batch);
	return task ? subjectText(task, input) : 'Something';
}
