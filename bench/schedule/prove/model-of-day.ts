import type { NeutralCase } from '../neutral-case.ts';
import { constant, CpModelData, minus, not, of, plus, times, type Sum } from './cp-model.ts';

type Lot = NeutralCase['lots'][number];
type Window = NeutralCase['mixes'][number]['bulk'];

/**
 * A day in the neutral form as a model for a complete solver: written from the form's description and sharing no code
 * with the engine, so that the two can be held against each other.
 *
 * A load is what starts together on one deck: two portions are `together`, or one is a load's length and its setup
 * before the other. The least of a load's portions stands for it where it needs hands.
 */
export function modelOfDay(day: NeutralCase): CpModelData {
	const model = new CpModelData();
	const { horizon } = day;
	const time = (name: string) => model.int(name, 0, horizon);
	const hands: { start: Sum; length: number; only: number[] }[] = [];
	const attended = (start: Sum, length: number, only: number[] = []) =>
		hands.push({ start, length, only });
	const on: Record<'bench' | 'proofer' | 'retarder', { interval: number; demand: number }[]> = {
		bench: [],
		proofer: [],
		retarder: []
	};
	const fixed = (start: Sum, length: number, only: number[] = []) =>
		model.interval(start, constant(length), plus(start, constant(length)), only);
	const window = (name: string, lag: Sum, { min, ideal, max, w }: Window, only: number[] = []) => {
		model.linear(lag, min, max, only);
		if (w === 0) return;
		const off = model.int(`${name} off`, 0, Math.max(max - ideal, ideal - min, 0));
		model.atLeast(minus(of(off, ideal), lag), 0, only);
		model.atLeast(plus(of(off, -ideal), lag), 0, only);
		model.cost(of(off), w);
	};

	const mixerUse: number[][] = day.mixers.map(() => []);
	const useMixer = (name: string, start: Sum, length: number, kg: number) => {
		const taken = day.mixers.flatMap(({ minKg, maxKg }, at) => {
			if (kg < minKg || kg > maxKg) return [];
			const here = model.bool(`${name} on mixer ${at}`);
			mixerUse[at]?.push(fixed(start, length, [here]));
			return [here];
		});
		model.exactlyOne(taken);
	};

	const bakes = day.lots.map(({ id }) => time(`bake ${id}`));
	const loadEnds = day.lots.map(({ id }) => time(`load of ${id} ends`));
	for (const mix of day.mixes) {
		const start = of(time(`mix ${mix.id}`));
		const end = plus(start, constant(mix.mixDur));
		useMixer(`mix ${mix.id}`, start, mix.mixDur, mix.kg);
		attended(start, mix.attend);
		let first = start;
		if (mix.aut) {
			const aut = of(time(`aut ${mix.id}`));
			useMixer(`aut ${mix.id}`, aut, mix.aut.dur, mix.kg);
			attended(aut, mix.aut.dur);
			window(`aut ${mix.id}`, minus(start, plus(aut, constant(mix.aut.dur))), mix.aut);
			first = aut;
		}
		if (mix.pre) {
			const pre = of(time(`pre ${mix.id}`));
			attended(pre, mix.pre.dur);
			window(`pre ${mix.id}`, minus(first, plus(pre, constant(mix.pre.dur))), mix.pre);
		}
		mix.folds.forEach(({ off, lo, hi, dur }, at) => {
			const fold = of(time(`fold ${mix.id}.${at}`));
			model.linear(minus(fold, end), off - lo, off + hi);
			attended(fold, dur);
		});
		for (const l of mix.lots) {
			const lot = day.lots[l] as Lot;
			const div = of(time(`div ${l}`));
			window(`bulk ${l}`, minus(div, end), mix.bulk);
			attended(div, lot.divDur);
			on.bench.push({ interval: fixed(div, lot.divDur), demand: 1 });
			const shape = of(time(`shape ${l}`));
			window(`rest ${l}`, minus(shape, plus(div, constant(lot.divDur))), lot.rest);
			attended(shape, lot.shapeDur);
			on.bench.push({ interval: fixed(shape, lot.shapeDur), demand: 1 });
			const shaped = plus(shape, constant(lot.shapeDur));
			const bake = of(bakes[l] as number);
			const modes = lot.modes.map((mode, at) => {
				const taken = model.bool(`lot ${l} ${mode.kind} ${at}`);
				window(`proof ${l} ${at}`, minus(bake, shaped), mode, [taken]);
				const length = of(model.int(`proof ${l} ${at} length`, mode.min, mode.max));
				on[mode.kind === 'warm' ? 'proofer' : 'retarder'].push({
					interval: model.interval(shaped, length, bake, [taken]),
					demand: mode.racks
				});
				return taken;
			});
			model.exactlyOne(modes);
		}
	}
	for (const intervals of mixerUse) model.noOverlap(intervals);

	addOvens(model, day, bakes, loadEnds, attended);
	for (const product of day.products) {
		const pack = of(time(`pack ${product.id}`));
		attended(pack, product.packDur);
		for (const l of product.lots) {
			const lot = day.lots[l] as Lot;
			model.atLeast(minus(pack, of(loadEnds[l] as number, lot.cool)), 0);
			const fresh = model.int(`fresh ${l}`, 0, horizon);
			model.atLeast(plus(of(fresh, -product.due), of(bakes[l] as number)), 0);
			model.cost(of(fresh), day.wts.fresh);
		}
		const late = model.int(`late ${product.id}`, 0, horizon);
		model.atLeast(minus(of(late, product.due - product.packDur), pack), 0);
		model.cost(of(late), day.wts.tard * product.weight);
	}

	const most = Math.max(...day.bakers.map(([, , there]) => there));
	const intervals = hands.map(({ start, length, only }) => fixed(start, length, only));
	const demands = hands.map(() => 1);
	for (const [from, to, there] of handsAway(day, most)) {
		intervals.push(fixed(constant(from), to - from));
		demands.push(there);
	}
	model.cumulative(intervals, demands, most);
	for (const place of ['bench', 'proofer', 'retarder'] as const)
		model.cumulative(
			on[place].map(({ interval }) => interval),
			on[place].map(({ demand }) => demand),
			day[place]
		);

	// The day begins with the first hands of the main shift.
	const begins = model.int('the day begins', day.mainStart, horizon);
	hands.forEach(({ start, only }, at) => {
		const before = model.bool(`hands ${at} before the main shift`);
		model.linear(start, 0, day.mainStart - 1, [before]);
		model.atLeast(minus(start, of(begins)), 0, [not(before), ...only]);
	});
	model.cost(minus(constant(horizon), of(begins)), day.wts.wake);
	return model;
}

/** Hands that are not there, as work that takes them. */
function handsAway(day: NeutralCase, most: number): [number, number, number][] {
	const away: [number, number, number][] = [];
	let until = 0;
	for (const [from, to, there] of [...day.bakers].sort((a, b) => a[0] - b[0])) {
		if (from > until) away.push([until, from, most]);
		if (there < most) away.push([from, to, most - there]);
		until = to;
	}
	if (until < day.horizon) away.push([until, day.horizon, most]);
	return away;
}

function addOvens(
	model: CpModelData,
	day: NeutralCase,
	bakes: readonly number[],
	loadEnds: readonly number[],
	attended: (start: Sum, length: number, only: number[]) => void
): void {
	const decks = day.ovens.flatMap(({ decks }, oven) =>
		Array.from({ length: decks }, (_, deck) => ({ oven, deck }))
	);
	const at = day.lots.map(({ id }) => {
		const taken = decks.map(({ oven, deck }) => model.bool(`lot ${id} in ${oven}/${deck}`));
		model.exactlyOne(taken);
		return taken;
	});
	const inOven = day.lots.map((_, l) =>
		day.ovens.map((_, oven) =>
			decks.flatMap((deck, d) => (deck.oven === oven ? [at[l]?.[d] as number] : []))
		)
	);
	const together = day.lots.map(() => new Map<number, number>());
	for (const one of day.lots) {
		model.atLeast(
			minus(of(loadEnds[one.id] as number), of(bakes[one.id] as number)),
			day.loadDur + one.bakeDur
		);
		for (const other of day.lots) if (other.id > one.id) addPair(one, other);
	}

	function addPair(one: Lot, other: Lot): void {
		const [a, b] = [one.id, other.id];
		const [bakeA, bakeB] = [of(bakes[a] as number), of(bakes[b] as number)];
		const [endA, endB] = [of(loadEnds[a] as number), of(loadEnds[b] as number)];
		const first = model.bool(`${a} before ${b}`);
		const same = fits(one, other, day.tempTol) ? model.bool(`${a} with ${b}`) : null;
		if (same !== null) {
			together[a]?.set(b, same);
			together[b]?.set(a, same);
			model.linear(minus(bakeA, bakeB), 0, 0, [same]);
			model.linear(minus(endA, endB), 0, 0, [same]);
		}
		decks.forEach(({ oven }, d) => {
			const { recovery, shared } = day.ovens[oven] as NeutralCase['ovens'][number];
			const [here, there] = [at[a]?.[d] as number, at[b]?.[d] as number];
			if (same !== null) {
				// Who is together is on one deck.
				model.oneOf([not(same), not(here), there]);
				model.oneOf([not(same), here, not(there)]);
			}
			const apart = same === null ? [] : [not(same)];
			const setupAB = setup(day, oven, one, other);
			const setupBA = setup(day, oven, other, one);
			model.atLeast(minus(bakeB, endA), Math.max(recovery, setupAB), [
				here,
				there,
				first,
				...apart
			]);
			model.atLeast(minus(bakeA, endB), Math.max(recovery, setupBA), [
				here,
				there,
				not(first),
				...apart
			]);
			if (!shared || (setupAB === 0 && setupBA === 0)) return;
			// Decks of one chamber: another level waits for it, whichever deck it is for.
			decks.forEach((deck, e) => {
				if (deck.oven !== oven || e === d) return;
				const elsewhere = at[b]?.[e] as number;
				if (setupAB > 0) model.atLeast(minus(bakeB, endA), setupAB, [here, elsewhere, first]);
				if (setupBA > 0) model.atLeast(minus(bakeA, endB), setupBA, [here, elsewhere, not(first)]);
			});
		});
	}

	for (const lot of day.lots) {
		const others = [...(together[lot.id] ?? [])];
		day.ovens.forEach(({ deckCap }, oven) => {
			let load: Sum = constant(lot.size);
			for (const [other, same] of others)
				load = plus(load, times(of(same), (day.lots[other] as Lot).size));
			for (const here of inOven[lot.id]?.[oven] ?? []) model.linear(load, 0, deckCap, [here]);
		});
		// A load's hands are counted once, at the first of its portions.
		const before = others.filter(([other]) => other < lot.id).map(([, same]) => same);
		const leads = model.bool(`lot ${lot.id} leads its load`);
		model.oneOf([leads, ...before]);
		for (const same of before) model.oneOf([not(leads), not(same)]);
		attended(of(bakes[lot.id] as number), day.loadDur, [leads]);
	}

	day.ovens.forEach(({ preheat }, oven) => {
		const used = model.bool(`oven ${oven} is on`);
		const from = model.int(`oven ${oven} from`, 0, day.horizon);
		const to = model.int(`oven ${oven} to`, 0, day.horizon);
		const cost = model.int(`oven ${oven} on`, 0, 2 * day.horizon);
		model.atLeast(minus(of(cost, -preheat), minus(of(to), of(from))), 0, [used]);
		model.cost(of(cost), day.wts.oven);
		for (const lot of day.lots)
			for (const here of inOven[lot.id]?.[oven] ?? []) {
				model.oneOf([not(here), used]);
				model.atLeast(minus(of(bakes[lot.id] as number), of(from)), 0, [here]);
				model.atLeast(minus(of(to), of(loadEnds[lot.id] as number)), 0, [here]);
			}
	});
}

function fits(one: Lot, other: Lot, tolerance: number): boolean {
	return (
		one.steam === other.steam &&
		Math.abs(one.temp - other.temp) <= tolerance &&
		Math.abs(one.bakeDur - other.bakeDur) <= Math.min(one.tol, other.tol)
	);
}

function setup(day: NeutralCase, oven: number, from: Lot, to: Lot): number {
	const { heat, cool } = day.ovens[oven] as NeutralCase['ovens'][number];
	const up = to.temp - from.temp;
	if (Math.abs(up) <= day.tempTol) return 0;
	return up > 0 ? Math.ceil((up / 10) * heat) : Math.ceil((-up / 10) * cool);
}
