import type { PlanLookedInto } from '../../contracts/plan-protocol.ts';
import type {
	BakeDayInput,
	DayPlan,
	DayTask,
	HeldTask,
	WhyHolder
} from '../../core/planning/index.ts';
import { activityText, machineText, peopleText, subjectText } from '../../wording/task-text.ts';
import { clockText } from '../../wording/time-text.ts';

/** More than this many reasons are not read; the rest say no more. */
const MOST_REASONS = 3;

/** Why a task stands where it does: what keeps it from sooner, what from later. */
export function reasonsText(
	task: DayTask,
	plan: DayPlan,
	input: BakeDayInput,
	looked: PlanLookedInto | null,
	zone: string
): readonly string[] {
	const held = heldOf(task, looked);
	if (!held) return [];
	const told = (holders: HeldTask['earlier'], way: 'sooner' | 'later') =>
		inOrder(holders)
			.flatMap((holder) => {
				const text = holderText(holder, way, plan, input, zone);
				return text === null ? [] : [`Not ${way}: ${text}.`];
			})
			.slice(0, MOST_REASONS);
	const reasons = [...told(held.earlier, 'sooner'), ...told(held.later, 'later')];
	return reasons.length > 0
		? reasons
		: [
				'Nothing is in its way on either side: it stands where its dough, its drop and the night come out best.'
			];
}

function heldOf(task: DayTask, looked: PlanLookedInto | null): HeldTask | null {
	const id = task.placedAs ?? task.id;
	return looked?.held.find((held) => held.task === id) ?? null;
}

/** What the dough asks for is said before who is busy. */
function inOrder(holders: readonly WhyHolder[]): readonly WhyHolder[] {
	const rank = ({ kind }: WhyHolder) =>
		kind === 'pin' || kind === 'earliest' ? 0 : kind === 'chain' ? 1 : 2;
	return [...holders].sort((a, b) => rank(a) - rank(b));
}

function holderText(
	holder: WhyHolder,
	way: 'sooner' | 'later',
	plan: DayPlan,
	input: BakeDayInput,
	zone: string
): string | null {
	const named = (id: string) => {
		const task = plan.tasks.find((one) => one.id === id);
		if (!task) return null;
		const at = way === 'sooner' ? task.endMs : task.startMs;
		const when = way === 'sooner' ? 'until' : 'from';
		return `"${activityText(task)} ${subjectText(task, input)}" ${when} ${clockText(at, zone)}`;
	};
	switch (holder.kind) {
		case 'chain': {
			const task = plan.tasks.find((one) => one.id === holder.task);
			if (!task) return null;
			const what = `"${activityText(task)} ${subjectText(task, input)}" (${clockText(task.startMs, zone)})`;
			return way === 'sooner'
				? `${what} comes before it, and what waits between is not ready`
				: `${what} would have to wait too long, or would come too late`;
		}
		case 'drop': {
			const drop = input.drops.find(({ id }) => id === holder.dropId);
			return drop ? `${drop.name} is picked and goes right after` : null;
		}
		case 'person': {
			const other = named(holder.task);
			return other && `${peopleText([holder.personId], input)} is at ${other}`;
		}
		case 'mixer':
		case 'deck': {
			const other = named(holder.task);
			const id = holder.kind === 'mixer' ? holder.mixerId : holder.deckId;
			return other && `${machineText(id, input)} is taken by ${other}`;
		}
		case 'vessel': {
			const other = named(holder.task);
			const vessel = input.products.find((one) => one.vessel?.id === holder.vesselId)?.vessel;
			return other && `there is no ${vessel?.name.toLowerCase() ?? 'vessel'} free beside ${other}`;
		}
		case 'room': {
			const other = named(holder.task);
			const { benches, sheeters, dividers, places } = input.bakery;
			const all = { bench: benches, sheeter: sheeters, divider: dividers, place: places };
			const name = all[holder.of].find(({ id }) => id === holder.id)?.name ?? holder.of;
			return other && `there is no room ${ROOM_WORD[holder.of]} ${name} beside ${other}`;
		}
		case 'heat': {
			const other = named(holder.task);
			return other && `the oven is at another heat for ${other}`;
		}
		case 'clean-down': {
			const other = named(holder.task);
			return other && `${machineText(holder.mixerId, input)} is cleaned after or before ${other}`;
		}
		case 'elsewhere':
			return `${machineText(holder.deckId, input)} is taken by another date`;
		case 'away':
			return input.elsewhere.some(({ of }) => of === 'person')
				? 'nobody who can do it is at work then, or free of what another date needs'
				: 'nobody who can do it is at work then';
		case 'pin':
			return 'you hold it here';
		case 'earliest':
			return way === 'sooner' ? 'nothing can begin before now' : 'the plan ends there';
	}
}

const ROOM_WORD = { bench: 'at', sheeter: 'on', divider: 'on', place: 'in' } as const;

/** What comes of it: the drops a task leads to. */
export function leadsToText(
	task: DayTask,
	plan: DayPlan,
	input: BakeDayInput,
	zone: string
): string {
	const { batch } = task;
	if (batch.kind === 'preparation') return '';
	const mix = input.doughs
		.find((dough) => dough.formulaId === batch.formulaId)
		?.mixes.find((mix) => mix.ordinal === batch.ordinal);
	const dropIds =
		batch.kind === 'mix'
			? mix?.portions.flatMap((portion) => portion.dropIds)
			: mix?.portions.find((portion) => portion.productId === batch.productId)?.dropIds;
	const drops = plan.drops.filter(({ dropId }) => dropIds?.includes(dropId));
	if (drops.length === 0) return '';
	return `For ${drops.map(({ name, dueMs }) => `${name} ${clockText(dueMs, zone)}`).join(', ')}.`;
}
