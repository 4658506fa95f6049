import { temperatureOnPath } from '../../../core/fermentation/index.ts';
import { foldMinutes } from '../../../core/formula/index.ts';
import {
	courseThrough,
	batchKey,
	type BakeDayInput,
	type BatchRef,
	type DayPlan,
	type DayTask,
	type Step
} from '../../../core/planning/index.ts';

type Course = Extract<ReturnType<typeof courseThrough>, { ok: true }>['value'];
type CourseStep = Course['steps'][number];
type PortionRef = Extract<BatchRef, { kind: 'portion' }>;

const MINUTE_MS = 60_000;
const MOMENTS = 13;
const TOUCH_MS = 5 * MINUTE_MS;

/** Where the planner of then put each step of each chain, in minutes since 1970, and on which machine. */
export interface PlacedThen {
	readonly starts: Readonly<Record<string, number>>;
	readonly machines: Readonly<Record<string, string>>;
}

/** Tells what was placed then as a plan of today: each step of each chain by itself, loads beside one another. */
export function planAsPlaced(input: BakeDayInput, placed: PlacedThen): DayPlan {
	const tasks = [
		...input.builds.flatMap((build) =>
			chain({ ...build, kind: 'preparation' }, build.steps, 0, 0, placed)
		),
		...input.doughs.flatMap(({ formulaId, mixes }) =>
			mixes.flatMap((mix) => {
				const of = { formulaId, ordinal: mix.ordinal };
				const pieces = mix.portions.reduce((total, portion) => total + portion.pieces, 0);
				const course = courseThrough(mix.steps, pieces, 0);
				const ends = course.ok ? course.value.endCelsius : 0;
				return [
					...chain({ kind: 'mix', ...of }, mix.steps, pieces, 0, placed),
					...mix.portions.flatMap(({ productId, pieces: own, role }) => {
						const product = input.products.find(({ id }) => id === productId);
						if (!product || role !== 'carries') return [];
						const ref: PortionRef = { kind: 'portion', ...of, productId };
						return chain(ref, product.steps, own, ends, placed, product.piecesPerDeck);
					})
				];
			})
		)
	];
	return {
		tasks,
		ovens: [],
		drops: input.drops.map(({ id, ...drop }) => {
			const readyMs = readyFor(id, input, tasks);
			return { ...drop, dropId: id, readyMs, late: [], othersReadyMs: readyMs };
		}),
		deliveries: [],
		cautions: overlapsOf(tasks),
		unplanned: [],
		unplaced: []
	};
}

function chain(
	batch: Exclude<BatchRef, { kind: 'load' }>,
	steps: readonly Step[],
	pieces: number,
	startCelsius: number,
	{ starts, machines }: PlacedThen,
	perDeck = 1
): readonly DayTask[] {
	const course = courseThrough(steps, pieces, startCelsius);
	if (!course.ok) return [];
	return course.value.steps.flatMap((step, index) => {
		const ids: readonly (readonly [string, BatchRef])[] =
			step.step.kind === 'bake' && batch.kind === 'portion'
				? loadsOf(batch, pieces, perDeck).map((load) => [batchKey(load), load])
				: [[`${batchKey(batch)}:${index}`, batch]];
		return ids.flatMap(([id, ref]) => {
			const start = starts[id];
			return start === undefined ? [] : [told(id, ref, step, start, machines[id] ?? null)];
		});
	});
}

function loadsOf(portion: PortionRef, pieces: number, perDeck: number): readonly BatchRef[] {
	const loads = Math.max(1, Math.ceil(pieces / perDeck));
	return Array.from({ length: loads }, (_, at) => ({
		...portion,
		kind: 'load' as const,
		load: at + 1,
		loads,
		pieces: Math.min(perDeck, pieces - at * perDeck)
	}));
}

function told(
	id: string,
	batch: BatchRef,
	{ step, minutes, startCelsius, stretches, marks }: CourseStep,
	start: number,
	machineId: string | null
): DayTask {
	const at = (minute: number) => Math.round((start + minute) * MINUTE_MS);
	const [startMs, endMs] = [at(0), at(stepMinutes(step, minutes))];
	const foldsMs = step.kind === 'wait' ? foldMinutes(step, minutes).map(at) : [];
	const movesMs = movesWithin(step).map(at);
	const touch = (what: 'fold' | 'move' | 'load' | 'draw') => (fromMs: number) => ({
		what,
		fromMs,
		toMs: fromMs + TOUCH_MS,
		personIds: []
	});
	return {
		id,
		batch,
		step,
		startMs,
		endMs,
		machineId,
		placedAs: null,
		celsius: Array.from({ length: MOMENTS }, (_, moment) =>
			temperatureOnPath(startCelsius, stretches, (minutes * moment) / (MOMENTS - 1))
		),
		marks: marks && {
			earlyMs: at(marks.early),
			ripeMs: at(marks.ripe),
			lateMs: marks.late === null ? null : at(marks.late)
		},
		foldsMs,
		movesMs,
		attended:
			step.kind === 'hands-on'
				? [{ what: 'do', fromMs: startMs, toMs: endMs, personIds: [] }]
				: step.kind === 'bake'
					? [touch('load')(startMs), touch('draw')(endMs)]
					: [...foldsMs.map(touch('fold')), ...movesMs.map(touch('move'))]
	};
}

/** The first move of a wait in several places was told, no other. */
function movesWithin(step: Step): readonly number[] {
	if (step.kind !== 'wait') return [];
	const [first, second] = step.legs;
	return first?.minutes && second ? [first.minutes] : [];
}

/** Hands-on work was planned in steps of five minutes then. */
function stepMinutes(step: Step, minutes: number): number {
	return step.kind === 'hands-on' ? Math.ceil(minutes / 5 - 1e-9) * 5 : minutes;
}

function readyFor(dropId: string, input: BakeDayInput, tasks: readonly DayTask[]): number | null {
	const portions = new Set(
		input.doughs.flatMap(({ formulaId, mixes }) =>
			mixes.flatMap(({ ordinal, portions }) =>
				portions
					.filter(({ role, dropIds }) => role === 'carries' && dropIds.some((id) => id === dropId))
					.map(({ productId }) => batchKey({ kind: 'portion', formulaId, ordinal, productId }))
			)
		)
	);
	const ends = tasks
		.filter(
			({ batch }) =>
				(batch.kind === 'portion' || batch.kind === 'load') &&
				portions.has(batchKey({ ...batch, kind: 'portion' }))
		)
		.map(({ endMs }) => endMs);
	return ends.length === 0 ? null : Math.max(...ends);
}

/** Two on one machine at once were told, not kept apart. */
function overlapsOf(tasks: readonly DayTask[]): DayPlan['cautions'] {
	const busy = tasks
		.filter(({ machineId, startMs, endMs }) => machineId !== null && endMs > startMs)
		.sort((a, b) => a.startMs - b.startMs || (a.id < b.id ? -1 : 1));
	return busy.flatMap((first, at) =>
		busy
			.slice(at + 1)
			.filter(({ machineId, startMs }) => machineId === first.machineId && startMs < first.endMs)
			.map((second) => ({
				kind: 'overlap' as const,
				machine: first.machineId ?? '',
				first: first.id,
				second: second.id,
				from: second.startMs / MINUTE_MS,
				to: Math.min(first.endMs, second.endMs) / MINUTE_MS
			}))
	);
}
