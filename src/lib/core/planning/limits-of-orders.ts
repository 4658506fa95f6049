import { MINUTE_MS } from '../time/index.ts';
import { handsOnMinutes } from './course.ts';
import type { BakeDayInput, PlannedProduct, Step } from './input.ts';

/** A limit of the house that the orders of a date come to, told as the figures stand: whether a night holds the plan says. */
export type OrdersLimit =
	/** More baskets, tins or trays than there are: some of them are used twice. */
	| {
			readonly kind: 'vessels';
			readonly name: string;
			readonly owned: number;
			readonly wanted: number;
	  }
	/** No deck of the house takes it. */
	| { readonly kind: 'no-deck'; readonly product: string }
	/** Loads take longer than somebody is there to load. */
	| {
			readonly kind: 'decks';
			readonly loads: number;
			readonly decks: number;
			readonly minutesOfEach: number;
			readonly thereMinutes: number;
	  }
	/** More hands-on work than hands. */
	| {
			readonly kind: 'hands';
			readonly workMinutes: number;
			readonly thereMinutes: number;
	  };

/** Work of a night is looked at over so long before its last drop is ready (our default). */
const NIGHT_MINUTES = 24 * 60;

/**
 * Tells which limits of the house the orders of a date come to, before any plan is made.
 *
 * Model: pieces by vessel against those owned; loads by their time in the oven, spread evenly over the decks that take
 * them, against the hours in which somebody is there; hands-on minutes against the minutes of all who work in the 24 hours
 * before the last drop is ready. What was begun is done. Range: any input of a date. Source: our default. Failures: none.
 * Example: 50 loaves in 30 baskets want 50 and own 30.
 */
export function limitsOfOrders(input: BakeDayInput): readonly OrdersLimit[] {
	const pieces = piecesOf(input);
	return [
		...vesselLimits(input, pieces),
		...input.products
			.filter(({ id, deckIds }) => (pieces.get(id) ?? 0) > 0 && deckIds.length === 0)
			.filter(({ steps }) => steps.some(({ kind }) => kind === 'bake'))
			.map(({ name }): OrdersLimit => ({ kind: 'no-deck', product: name })),
		...timeLimits(input, pieces)
	];
}

/** Pieces of each product that go through its chain. */
function piecesOf(input: BakeDayInput): ReadonlyMap<string, number> {
	const found = new Map<string, number>();
	for (const { mixes } of input.doughs)
		for (const { portions } of mixes)
			for (const { role, productId, pieces } of portions)
				if (role === 'carries') found.set(productId, (found.get(productId) ?? 0) + pieces);
	return found;
}

function vesselLimits(
	input: BakeDayInput,
	pieces: ReadonlyMap<string, number>
): readonly OrdersLimit[] {
	const wanted = new Map<string, { readonly name: string; owned: number; wanted: number }>();
	for (const { id, vessel } of input.products) {
		if (!vessel) continue;
		const known = wanted.get(vessel.id) ?? { name: vessel.name, owned: vessel.owned, wanted: 0 };
		known.wanted += Math.ceil((pieces.get(id) ?? 0) / vessel.holds);
		wanted.set(vessel.id, known);
	}
	return [...wanted.values()]
		.filter((one) => one.wanted > one.owned)
		.map((one): OrdersLimit => ({ kind: 'vessels', ...one }));
}

function timeLimits(
	input: BakeDayInput,
	pieces: ReadonlyMap<string, number>
): readonly OrdersLimit[] {
	const there = peopleBefore(input);
	if (!there) return [];
	const workMinutes = handsOnOf(input, pieces);
	const decks = new Set(input.products.flatMap(({ deckIds }) => deckIds));
	const baked = input.products.map((product) => loadsOf(product, pieces.get(product.id) ?? 0));
	const loads = baked.reduce((total, one) => total + one.loads, 0);
	const minutes = baked.reduce((total, one) => total + one.minutes, 0);
	const minutesOfEach = decks.size > 0 ? Math.round(minutes / decks.size) : 0;
	return [
		...(workMinutes > there.allMinutes
			? [{ kind: 'hands', workMinutes, thereMinutes: there.allMinutes } as const]
			: []),
		...(minutesOfEach > there.somebodyMinutes
			? [
					{
						kind: 'decks',
						loads,
						decks: decks.size,
						minutesOfEach,
						thereMinutes: there.somebodyMinutes
					} as const
				]
			: [])
	];
}

function loadsOf(product: PlannedProduct, pieces: number) {
	const loads = product.piecesPerDeck > 0 ? Math.ceil(pieces / product.piecesPerDeck) : 0;
	const each = product.steps.reduce(
		(total, step) => total + (step.kind === 'bake' ? step.bakeMinutes : 0),
		0
	);
	return { loads, minutes: loads * each };
}

/** How long all who work, and how long anybody, is there before the last drop is ready; null where nobody is planned. */
function peopleBefore({ people, drops }: BakeDayInput) {
	if (!people || drops.length === 0) return null;
	const toMs = Math.max(...drops.map(({ readyByMs }) => readyByMs));
	const fromMs = toMs - NIGHT_MINUTES * MINUTE_MS;
	const stretches = people
		.flatMap(({ there }) => there)
		.map((one) => ({ fromMs: Math.max(one.fromMs, fromMs), toMs: Math.min(one.toMs, toMs) }))
		.filter((one) => one.toMs > one.fromMs)
		.sort((a, b) => a.fromMs - b.fromMs);
	let somebodyMs = 0;
	let reached = fromMs;
	for (const one of stretches) {
		somebodyMs += Math.max(0, one.toMs - Math.max(one.fromMs, reached));
		reached = Math.max(reached, one.toMs);
	}
	const allMs = stretches.reduce((total, one) => total + one.toMs - one.fromMs, 0);
	return {
		allMinutes: Math.round(allMs / MINUTE_MS),
		somebodyMinutes: Math.round(somebodyMs / MINUTE_MS)
	};
}

/** Hands-on minutes of what was not begun, one pair of hands each. */
function handsOnOf(input: BakeDayInput, pieces: ReadonlyMap<string, number>): number {
	const minutes = (steps: readonly Step[], count: number) =>
		steps.reduce(
			(total, step) => total + (step.kind === 'hands-on' ? handsOnMinutes(step, count) : 0),
			0
		);
	const builds = input.builds
		.filter(({ begun }) => begun === null)
		.reduce((total, { steps }) => total + minutes(steps, 0) + input.weighMinutes, 0);
	const mixes = input.doughs
		.flatMap((dough) => dough.mixes)
		.filter(({ begun }) => begun === null)
		.reduce((total, { steps }) => total + minutes(steps, 0) + input.weighMinutes, 0);
	const products = input.products.reduce((total, { id, steps }) => {
		const count = pieces.get(id) ?? 0;
		return count > 0 ? total + minutes(steps, count) : total;
	}, 0);
	return builds + mixes + products;
}
