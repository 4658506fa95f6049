import type { Work } from '../core/bench/index.ts';
import type { BakeDayInput, DayPlan, DeliveryTask, OvenTask } from '../core/planning/index.ts';
import { formatMinutes, formatTemperature, type UnitChoice } from '../core/units/index.ts';
import { deliveryActText, deliveryWhoText } from './delivery-text.ts';

/** One thing to do at one time. */
export interface ListEntry extends Omit<Work, 'kind'> {
	/** A wait is told too, and what a timer does: nothing that hands do. */
	readonly kind: Work['kind'] | 'wait' | 'by-itself';
	readonly what: string;
	readonly detail: string;
	readonly handsOn: boolean;
	/** Who does it, by name; 'nobody yet' where somebody has to be found, empty where hands are not planned. */
	readonly who: string;
	/** The mixer or the deck it is done with, by name; empty where it is none. */
	readonly machine: string;
	/** What is read with a probe when it is done. */
	readonly measure: 'dough' | 'core' | null;
	/** What can hurt in doing it; empty where nothing does beyond the usual. */
	readonly caution: string;
	/** What is made, where it is a mix: its water is told with it. */
	readonly mixes: { readonly recipeId: string; readonly ordinal: number } | null;
}

/** One thing that hands do, and can tap. */
export type HandsOnEntry = ListEntry & Work;

const OVEN_ACT: Readonly<Record<OvenTask['kind'], string>> = {
	'switch-on': 'Switch on',
	set: 'Set',
	'switch-off': 'Switch off'
};

/** What is done to an oven: "Set Deck 2 to 245 °C". */
export function ovenActText(
	{ kind, name, celsius, byTimer }: OvenTask,
	units?: UnitChoice
): string {
	const to = celsius === null ? '' : ` to ${formatTemperature({ celsius }, 0, units)}`;
	if (byTimer) return `${name} switches itself on${to}`;
	return `${OVEN_ACT[kind]} ${name}${to}`;
}

/** What is done to an oven, as it stands on a list. */
export function ovenEntry(task: OvenTask): ListEntry {
	const { kind, deckIds, name, atMs } = task;
	return {
		key: `oven ${deckIds.join(' ')} ${kind} ${atMs}`,
		taskId: null,
		kind: task.byTimer ? 'by-itself' : 'oven',
		batch: null,
		atMs,
		endMs: atMs,
		station: 'oven',
		machine: name,
		measure: null,
		what: ovenActText(task),
		detail: task.byTimer ? 'its timer is set before' : '',
		handsOn: true,
		who: '',
		personIds: [],
		caution: '',
		mixes: null
	};
}

/** What is done for a drop when its bread is packed, as it stands on a list. */
export function deliveryEntry(
	task: DeliveryTask,
	cautions: DayPlan['cautions'],
	input: BakeDayInput
): ListEntry {
	const { what, dropId, fromMs, toMs, personIds } = task;
	return {
		key: `drop ${dropId} ${what}`,
		taskId: null,
		kind: 'delivery',
		batch: null,
		atMs: fromMs,
		endMs: toMs,
		station: 'packing',
		machine: '',
		measure: null,
		what: deliveryActText(task),
		detail: formatMinutes((toMs - fromMs) / 60_000),
		handsOn: true,
		who: deliveryWhoText(task, { cautions }, input),
		personIds,
		caution: '',
		mixes: null
	};
}
