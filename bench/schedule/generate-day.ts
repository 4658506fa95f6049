import { chanceFrom } from '../../src/lib/core/chance.ts';
import type { NeutralCase } from './neutral-case.ts';

export type DaySize = 'small' | 'medium' | 'large';

const SIZES = {
	small: {
		mixes: 3,
		lotsOfMix: 2,
		mixers: 1,
		ovens: [3],
		hands: [1, 1, 2],
		bench: 2,
		proofer: 8,
		retarder: 8
	},
	medium: {
		mixes: 11,
		lotsOfMix: 4,
		mixers: 2,
		ovens: [3, 3],
		hands: [2, 2, 3],
		bench: 3,
		proofer: 18,
		retarder: 18
	},
	large: {
		mixes: 21,
		lotsOfMix: 4,
		mixers: 3,
		ovens: [4, 4, 3],
		hands: [3, 4, 5],
		bench: 5,
		proofer: 40,
		retarder: 36
	}
} as const;

/** Slots of five minutes over a day and a half: the evening before, the night's gap, and the main shift. */
const HORIZON = 432;
const EVENING_ENDS = 192;
const MAIN_START = 216;

/**
 * A made-up day of a bakery in the neutral form: doughs with and without a build, an autolyse and folds, in lots that
 * proof warm, cold or as is best, for drops through the morning. The same for a size and a seed on every machine.
 */
export function generateDay(size: DaySize, seed: number): NeutralCase {
	const chance = chanceFrom(seed * 7919 + size.length);
	const whole = (from: number, to: number) => from + Math.floor(chance() * (to - from + 1));
	const often = (share: number) => chance() < share;
	const one = <T>(items: readonly T[]): T => items[whole(0, items.length - 1)] as T;
	const shape = SIZES[size];
	const mixes: NeutralCase['mixes'][number][] = [];
	const lots: NeutralCase['lots'][number][] = [];
	const products: { id: number; due: number; weight: number; packDur: number; lots: number[] }[] =
		[];
	while (mixes.length < shape.mixes) {
		const build = often(0.6);
		const bulk = whole(15, 26);
		const manner = one(['warm', 'warm', 'cold', 'either'] as const);
		const level = one([210, 230, 250]);
		const steam = often(0.6) ? 1 : 0;
		const warm = whole(11, 19);
		const pre = build
			? { dur: whole(1, 2), min: whole(60, 85), ideal: 0, max: whole(130, 180), w: 1 }
			: null;
		if (pre) pre.ideal = whole(pre.min + 20, pre.max - 20);
		const aut = often(0.3) ? { dur: 1, min: 4, ideal: 6, max: 12, w: 1 } : null;
		const mixDur = whole(2, 4);
		const folds = Array.from({ length: whole(0, 2) }, (_, at) => ({
			off: 6 * (at + 1),
			lo: 1,
			hi: 2,
			dur: whole(1, 2)
		}));
		// A dough may be too much for one mix; its products are then made of several.
		const together = Math.min(often(0.25) ? 2 : 1, shape.mixes - mixes.length);
		const ofDough: number[] = [];
		const kinds = Math.min(whole(1, 3), shape.lotsOfMix);
		for (let more = 0; more < kinds; more += 1) {
			ofDough.push(products.length);
			products.push({
				id: products.length,
				due: one([300, 300, 318, 324, 336, 372]),
				weight: whole(1, 3),
				packDur: 1,
				lots: []
			});
		}
		for (let turn = 0; turn < together; turn += 1) {
			const id = mixes.length;
			const own: number[] = [];
			for (const p of turn === 0 ? ofDough : ofDough.slice(0, 1)) {
				const product = products[p];
				if (!product) continue;
				for (let parts = whole(1, 2); parts > 0; parts -= 1) {
					// Every product keeps a lot, and the hands of a shift can divide what one mix gives.
					if (own.length >= shape.lotsOfMix && product.lots.length > 0) break;
					const racks = whole(1, 3);
					const modes: NeutralCase['lots'][number]['modes'][number][] = [];
					if (manner !== 'cold')
						modes.push({ kind: 'warm', min: warm - 3, ideal: warm, max: warm + 5, w: 10, racks });
					if (manner !== 'warm')
						modes.push({ kind: 'cold', min: 96, ideal: whole(125, 160), max: 216, w: 1, racks });
					const size = racks === 3 ? 100 : whole(15, 70);
					lots.push({
						id: lots.length,
						mix: id,
						product: p,
						divDur: racks > 1 ? 2 : 1,
						rest: { min: 2, ideal: 4, max: 7, w: 3 },
						shapeDur: racks + 1,
						modes,
						size,
						temp: level,
						steam,
						bakeDur: whole(4, 9),
						tol: 1,
						cool: whole(4, 9)
					});
					own.push(lots.length - 1);
					product.lots.push(lots.length - 1);
				}
			}
			mixes.push({
				id,
				kg: whole(10, 40),
				pre,
				aut,
				mixDur,
				attend: 1,
				folds,
				bulk: { min: bulk - 4, ideal: bulk, max: bulk + 6, w: 6 },
				lots: own
			});
		}
	}
	const [evening, early, main] = shape.hands;
	// What can only proof cold stands there together overnight; what may do either must fit in beside it, or not.
	const coldOnly = lots
		.filter((lot) => lot.modes.every((mode) => mode.kind === 'cold'))
		.reduce((sum, lot) => sum + (lot.modes[0]?.racks ?? 0), 0);
	const retarder = Math.max(shape.retarder, coldOnly + whole(0, 3));
	return {
		name: `${size} ${seed}`,
		horizon: HORIZON,
		mainStart: MAIN_START,
		bakers: [
			[0, EVENING_ENDS, evening],
			[MAIN_START, 240, early],
			[240, HORIZON, main]
		],
		mixers: Array.from({ length: shape.mixers }, (_, at) => ({
			minKg: 0,
			maxKg: at === 0 ? 45 : 42
		})),
		bench: shape.bench,
		proofer: shape.proofer,
		retarder,
		ovens: shape.ovens.map((decks, at) => ({
			decks,
			deckCap: 100,
			shared: at % 2 === 0,
			recovery: 1,
			heat: 1,
			cool: 2,
			preheat: 9
		})),
		loadDur: 1,
		tempTol: 10,
		mixes,
		lots,
		products,
		wts: { tard: 500, fresh: 1, wake: 4, oven: 1 }
	};
}
