import {
	handsAtMarks,
	stationOf,
	type AttendedStretch,
	type BakeDayInput,
	type BatchRef,
	type DayPlan,
	type DayTask
} from '../core/planning/index.ts';
import { workKey } from '../core/bench/index.ts';
import { bakeMarks } from '../core/baking/index.ts';
import { speedsWanted, type Leg } from '../core/formula/index.ts';
import { capital } from './capital.ts';
import { deliveryEntry, ovenEntry, type ListEntry } from './list-entry.ts';
import { lackedHands, NOBODY_YET } from './lacked-hands.ts';
import { loadingText, markText } from './programme-text.ts';
import { CAUSTIC_CAUTION } from './kind-text.ts';
import { ACTIVITY_TEXT, placeText, SPEED_TEXT, TURN_TEXT } from './step-text.ts';
import { formatMass, formatMinutes, formatNumber, formatTemperature } from '../core/units/index.ts';

/** The name of what a task works on, as the baker calls it. */
export function subjectText({ batch }: Pick<DayTask, 'batch'>, input: BakeDayInput): string {
	if (batch.kind === 'preparation') {
		const build = buildOf(batch, input);
		const several = input.builds.filter((build) => build.preparationId === batch.preparationId);
		return `${build?.name ?? ''}${several.length > 1 ? `, ${batch.ordinal} of ${several.length}` : ''}`;
	}
	const dough = input.doughs.find((dough) => dough.formulaId === batch.formulaId);
	const mix = dough?.mixes.find((mix) => mix.ordinal === batch.ordinal);
	const ordinal = mix && mix.count > 1 ? `, mix ${mix.ordinal} of ${mix.count}` : '';
	if (batch.kind === 'mix') return `${dough?.name ?? ''}${ordinal}`;
	const product = input.products.find((product) => product.id === batch.productId)?.name ?? '';
	if (batch.kind === 'portion') return `${product}${ordinal}`;
	// Two mixes of one product have loads of the same numbers.
	const load = batch.loads > 1 ? `, load ${batch.load} of ${batch.loads}` : '';
	return `${product}${ordinal}${load}`;
}

export function activityText(task: DayTask): string {
	return ACTIVITY_TEXT[task.step.kind === 'bake' ? 'bake' : task.step.activity];
}

function buildOf(
	batch: Extract<BatchRef, { kind: 'preparation' }>,
	input: BakeDayInput
): BakeDayInput['builds'][number] | undefined {
	return input.builds.find(
		(build) => build.preparationId === batch.preparationId && build.ordinal === batch.ordinal
	);
}

/** How much of it: its weight, or so many pieces of so much. */
export function amountText(task: DayTask, input: BakeDayInput): string {
	const { batch } = task;
	if (batch.kind === 'preparation') {
		const build = buildOf(batch, input);
		return build ? formatMass({ grams: build.grams }, 0) : '';
	}
	const mix = input.doughs
		.find((dough) => dough.formulaId === batch.formulaId)
		?.mixes.find((mix) => mix.ordinal === batch.ordinal);
	if (batch.kind === 'mix') return mix ? formatMass({ grams: mix.grams }, 0) : '';
	const product = input.products.find((product) => product.id === batch.productId);
	const pieces =
		batch.kind === 'load'
			? batch.pieces
			: (mix?.portions.find((portion) => portion.productId === batch.productId)?.pieces ?? 0);
	return product
		? `${pieces} of ${formatMass({ grams: product.scaledGrams }, 0)}`
		: `${pieces} pieces`;
}

/** The decks of all ovens, in the order of the ovens. */
export function decksOf({ bakery }: BakeDayInput) {
	return bakery.ovens.flatMap((oven) => oven.decks);
}

/** Those who do something, by the names they are called by. */
export function peopleText(personIds: readonly string[], input: BakeDayInput): string {
	return personIds
		.flatMap((id) => input.people?.find((person) => person.id === id)?.name ?? [])
		.join(', ');
}

/** The machine a task holds, by name. */
export function machineText(machineId: string | null, input: BakeDayInput): string {
	if (machineId === null) return '';
	return (
		[...decksOf(input), ...input.bakery.mixers].find((deck) => deck.id === machineId)?.name ??
		machineId
	);
}

function detailText(task: DayTask, input: BakeDayInput): string {
	const { step } = task;
	const parts = [amountText(task, input)];
	if (step.kind === 'hands-on') {
		if (step.activity === 'sheet' || step.activity === 'laminate')
			parts.push(sheetsText(task, input));
		if (step.detail.kind === 'turn') parts.push(TURN_TEXT[step.detail.turn]);
		if (step.detail.kind === 'mixing')
			parts.push(
				step.detail.stretches
					.map((stretch) => `${formatNumber(stretch.minutes, 0)} min ${SPEED_TEXT[stretch.speed]}`)
					.join(', ')
			);
		parts.push(vesselsText(task, input));
		const mixer = input.bakery.mixers.find(({ id }) => id === task.machineId);
		if (mixer && mixer.speeds < speedsWanted([step])) parts.push('this mixer has one speed');
		if (step.endsAtCelsius !== null)
			parts.push(`to ${formatTemperature({ celsius: step.endsAtCelsius })}`);
	}
	if (step.kind === 'bake') {
		parts.push(machineText(task.machineId, input));
		parts.push(formatTemperature({ celsius: step.loadCelsius }, 0));
		parts.push(loadingText(step));
		parts.push(
			`${formatNumber(step.bakeMinutes, 0)} min, core ${formatTemperature({ celsius: step.coreCelsius }, 0)}`
		);
	} else if (step.kind === 'wait') {
		const places = [
			...new Set(step.legs.map((leg) => `${placeText(leg)}${humidText(leg, input)}`))
		];
		parts.push(`${formatMinutes((task.endMs - task.startMs) / 60_000)} ${places.join(', then ')}`);
	} else parts.push(formatMinutes((task.endMs - task.startMs) / 60_000));
	return parts.filter((part) => part !== '').join(' · ');
}

/** What pieces are put into when they are shaped or panned last: so many are set out, dusted or greased. */
function vesselsText({ batch, step }: DayTask, { doughs, products }: BakeDayInput): string {
	if (batch.kind !== 'portion' || step.kind !== 'hands-on') return '';
	const product = products.find(({ id }) => id === batch.productId);
	const fills = product?.steps.findLast(
		(one) => one.kind === 'hands-on' && (one.activity === 'shape' || one.activity === 'pan')
	);
	if (!product?.vessel || fills?.kind !== 'hands-on' || fills.activity !== step.activity) return '';
	const pieces = doughs
		.find(({ formulaId }) => formulaId === batch.formulaId)
		?.mixes.find(({ ordinal }) => ordinal === batch.ordinal)
		?.portions.find(({ productId }) => productId === batch.productId)?.pieces;
	const { name, holds } = product.vessel;
	return pieces ? `into ${Math.ceil(pieces / holds)} × ${name.toLowerCase()}` : '';
}

/** In how many sheets dough goes through the largest sheeter, where one is too little for it. */
function sheetsText({ batch }: DayTask, { bakery, doughs, products }: BakeDayInput): string {
	const sheet = Math.max(0, ...bakery.sheeters.map(({ sheetGrams }) => sheetGrams ?? 0));
	if (sheet === 0 || batch.kind === 'preparation') return '';
	const mix = doughs
		.find(({ formulaId }) => formulaId === batch.formulaId)
		?.mixes.find(({ ordinal }) => ordinal === batch.ordinal);
	const pieces =
		batch.kind === 'mix'
			? null
			: mix?.portions.find(({ productId }) => productId === batch.productId)?.pieces;
	const piece =
		batch.kind === 'mix'
			? 0
			: (products.find(({ id }) => id === batch.productId)?.scaledGrams ?? 0);
	const sheets = Math.ceil((pieces ? pieces * piece : (mix?.grams ?? 0)) / sheet - 1e-9);
	return sheets > 1 ? `in ${sheets} sheets` : '';
}

/** How humid a place is kept, where that is set; dough in a dry one is covered. */
function humidText({ named }: Leg, { bakery }: BakeDayInput): string {
	const humidity = bakery.provers.find(({ id }) => id === named?.id)?.humidityPercent;
	return humidity === undefined ? '' : ` (${formatNumber(humidity, 0)} % humid)`;
}

/** Everything a hand does, in order: the tasks, what is done within waits, what goes in and out of the ovens, their settings. */
export function toDoList(
	{
		tasks,
		ovens,
		deliveries,
		cautions
	}: Pick<DayPlan, 'tasks' | 'ovens' | 'deliveries' | 'cautions'>,
	input: BakeDayInput
): readonly ListEntry[] {
	const lacks = lackedHands(tasks, cautions);
	const freeAt = handsAtMarks({ tasks, deliveries }, input);
	return [
		...tasks.flatMap((task) => [
			...(task.step.kind === 'wait' ? [waitEntry(task, input)] : []),
			...task.attended.map((stretch, index) =>
				attendedEntry(task, stretch, index, input, lacks(task, stretch))
			),
			...markEntries(task, input, freeAt),
			...kettleEntries(task, input)
		]),
		...ovens.map(ovenEntry),
		...deliveries.map((task) => deliveryEntry(task, cautions, input))
	].sort((a, b) => a.atMs - b.atMs || (a.key < b.key ? -1 : 1));
}

function waitEntry(task: DayTask, input: BakeDayInput): ListEntry {
	return {
		key: `${task.id} wait`,
		taskId: task.id,
		kind: 'wait',
		batch: task.batch,
		atMs: task.startMs,
		endMs: task.endMs,
		station: 'bench',
		machine: '',
		measure: null,
		what: `${activityText(task)} ${subjectText(task, input)}`,
		detail: detailText(task, input),
		handsOn: false,
		who: '',
		personIds: [],
		caution: '',
		mixes: null
	};
}

function attendedEntry(
	task: DayTask,
	{ what, fromMs, toMs, personIds }: AttendedStretch,
	index: number,
	input: BakeDayInput,
	isLacking: boolean
): ListEntry {
	const { told, detail } = attendedText(task, what, fromMs, input);
	return {
		key: workKey(task.id, what, index),
		taskId: task.id,
		kind: what,
		batch: task.batch,
		atMs: fromMs,
		endMs: toMs,
		station: stationOf(task, what),
		machine: machineText(task.machineId, input),
		measure: measureOf(task, what),
		what: told,
		detail,
		handsOn: true,
		who: isLacking ? NOBODY_YET : peopleText(personIds, input),
		personIds,
		caution: what === 'do' ? cautionOf(task) : '',
		mixes: what === 'do' ? mixesOf(task) : null
	};
}

function attendedText(
	task: DayTask,
	what: AttendedStretch['what'],
	fromMs: number,
	input: BakeDayInput
): { readonly told: string; readonly detail: string } {
	const subject = subjectText(task, input);
	const { step } = task;
	switch (what) {
		case 'do':
			return { told: `${activityText(task)} ${subject}`, detail: detailText(task, input) };
		case 'end': {
			const target =
				step.kind === 'hands-on' && step.endsAtCelsius !== null
					? `${formatTemperature({ celsius: step.endsAtCelsius })} wanted`
					: '';
			return { told: `Out of the mixer, and measured: ${subject}`, detail: target };
		}
		case 'fold': {
			// What is divided already is rounded again.
			const act = task.batch.kind === 'portion' ? 'Round' : 'Fold';
			const folds = task.foldsMs.length;
			const which = task.foldsMs.indexOf(fromMs) + 1;
			return {
				told:
					folds > 1
						? `${act} ${subject}, ${act.toLowerCase()} ${which} of ${folds}`
						: `${act} ${subject}`,
				detail: amountText(task, input)
			};
		}
		case 'move': {
			const leg = step.kind === 'wait' ? step.legs[task.movesMs.indexOf(fromMs) + 1] : undefined;
			const to = leg ? ` ${placeText(leg).replace(/^in /, 'to ')}` : '';
			return { told: `Move ${subject}${to}`, detail: amountText(task, input) };
		}
		case 'load':
			return { told: `Load ${subject}`, detail: detailText(task, input) };
		case 'draw': {
			const core = step.kind === 'bake' ? formatTemperature({ celsius: step.coreCelsius }, 0) : '';
			return {
				told: `Draw ${subject}`,
				detail: `${machineText(task.machineId, input)} · core ${core}`
			};
		}
	}
}

/** Water for a steam tray is boiled in time, and the tray is hot when it is poured (our default, in minutes). */
const KETTLE_MINUTES = 15;

function kettleEntries(task: DayTask, input: BakeDayInput): readonly ListEntry[] {
	const { step, startMs, machineId } = task;
	if (step.kind !== 'bake' || !step.programme.steamByTray) return [];
	const atMs = startMs - KETTLE_MINUTES * 60_000;
	return [
		{
			key: `${task.id} kettle`,
			taskId: task.id,
			kind: 'kettle',
			batch: task.batch,
			atMs,
			endMs: atMs,
			station: 'oven',
			machine: machineText(machineId, input),
			measure: null,
			what: `Kettle on, and the steam tray into the oven: ${subjectText(task, input)}`,
			detail: `loaded ${KETTLE_MINUTES} min later`,
			handsOn: true,
			who: '',
			personIds: [],
			caution:
				'Boiling water on a hot tray scalds: gloves and sleeves, and stand aside of the door.',
			mixes: null
		}
	];
}

/** Where the deck bakes hotter: what is turned there is turned for it. */
function hotterText({ machineId }: DayTask, input: BakeDayInput): readonly string[] {
	const hotSpots = decksOf(input).find(({ id }) => id === machineId)?.hotSpots ?? '';
	return hotSpots === '' ? [] : [`hotter ${hotSpots}`];
}

/** What is done to a load while it bakes: short, and whoever stands at the ovens does it. */
function markEntries(
	task: DayTask,
	input: BakeDayInput,
	freeAt: ReturnType<typeof handsAtMarks>
): readonly ListEntry[] {
	const { step, endMs } = task;
	if (step.kind !== 'bake') return [];
	const bakesMs = endMs - step.bakeMinutes * 60_000;
	return bakeMarks(step)
		.filter(({ kind }) => kind !== 'out')
		.map((mark, index) => {
			const atMs = bakesMs + mark.atMinutes * 60_000;
			const free = freeAt(task, atMs);
			const personIds = free === null ? [] : [free];
			return {
				key: `${task.id} mark ${index}`,
				taskId: task.id,
				kind: 'mark',
				batch: task.batch,
				atMs,
				endMs: atMs,
				station: 'oven',
				machine: machineText(task.machineId, input),
				measure: mark.kind === 'check' ? 'core' : null,
				what: `${capital(markText(mark))}: ${subjectText(task, input)}`,
				detail: [
					`${formatNumber(mark.atMinutes, 0)} min in the oven`,
					...(mark.kind === 'turn' ? hotterText(task, input) : [])
				].join(' · '),
				handsOn: true,
				who: peopleText(personIds, input),
				personIds,
				caution: '',
				mixes: null
			};
		});
}

/** A dough is measured when it leaves the mixer, bread when it is drawn. */
function measureOf(
	{ step, attended }: DayTask,
	what: AttendedStretch['what']
): ListEntry['measure'] {
	if (what === 'draw') return 'core';
	if (step.kind !== 'hands-on' || step.activity !== 'mix') return null;
	const last = attended.some((stretch) => stretch.what === 'end') ? 'end' : 'do';
	return what === last ? 'dough' : null;
}

function cautionOf({ step }: DayTask): string {
	return step.kind === 'hands-on' && step.activity === 'dip' ? CAUSTIC_CAUTION : '';
}

function mixesOf({ step, batch }: DayTask): ListEntry['mixes'] {
	if (step.kind !== 'hands-on' || step.activity !== 'mix') return null;
	const recipeId =
		batch.kind === 'preparation'
			? batch.preparationId
			: batch.kind === 'mix'
				? batch.formulaId
				: null;
	return recipeId && { recipeId, ordinal: batch.ordinal };
}
