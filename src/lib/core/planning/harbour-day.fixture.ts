import { PLAIN_PROGRAMME } from '../baking/index.ts';
import {
	id,
	type DropId,
	type FormulaId,
	type PreparationId,
	type ProductId
} from '../identity.ts';
import type { BakeDate } from '../time/index.ts';
import type { BakeDayInput, HandsOnStep, PlannedPerson, Step, WaitStep } from './input.ts';
import { judgePlacement, planDay } from './plan.ts';
import { AS_IT_IS, type Conditions } from './placement.ts';

/** A small day for the tests: one levain dough in two mixes, two drops, one mixer, two decks. */
export const hands = (
	activity: HandsOnStep['activity'],
	fixedMinutes: number,
	extra: Partial<HandsOnStep> = {}
): HandsOnStep => ({
	kind: 'hands-on',
	activity,
	machine: null,
	fixedMinutes,
	secondsPerPiece: 0,
	endsAtCelsius: null,
	detail: { kind: 'none' },
	...extra
});

export const BULK: WaitStep = {
	kind: 'wait',
	activity: 'bulk',
	legs: [
		{ named: null, place: 'room', ambientCelsius: 21, timeConstantMinutes: 420, minutes: null }
	],
	clock: {
		leavening: 'sourdough',
		referenceCelsius: 25,
		underMinutes: 170,
		ripeMinutes: 210,
		overMinutes: 260,
		carryShare: 0.5
	},
	foldsAtMinutes: [45, 90],
	foldsAtShares: []
};

export const PROOF: WaitStep = {
	...BULK,
	activity: 'proof',
	legs: [
		{ named: null, place: 'room', ambientCelsius: 24, timeConstantMinutes: 150, minutes: null }
	],
	clock: { ...BULK.clock!, underMinutes: 75, ripeMinutes: 105, overMinutes: 150 },
	foldsAtMinutes: []
};

const COOL: WaitStep = {
	kind: 'wait',
	activity: 'cool',
	legs: [{ named: null, place: 'room', ambientCelsius: 22, timeConstantMinutes: 60, minutes: 60 }],
	clock: null,
	foldsAtMinutes: [],
	foldsAtShares: []
};

const levain = id<PreparationId>('levain');
const loaf = id<FormulaId>('loaf');
const round = id<ProductId>('round');
const ferry = id<DropId>('ferry');
const shop = id<DropId>('shop');

export const PORTION_STEPS: readonly Step[] = [
	hands('divide', 2, { secondsPerPiece: 10 }),
	PROOF,
	{
		kind: 'bake',
		loadCelsius: 245,
		bakeMinutes: 42,
		steamSeconds: 8,
		coreCelsius: 97,
		programme: PLAIN_PROGRAMME
	},
	COOL,
	hands('pack', 10)
];

/** Somebody who is there from one hour of the night to another, on the evening of the 23rd or after. */
export const person = (
	name: string,
	skills: PlannedPerson['skills'],
	fromHour: number,
	toHour: number
): PlannedPerson => ({
	id: name.toLowerCase(),
	name,
	skills,
	pacePercent: 100,
	there: [{ fromMs: Date.UTC(2026, 10, 23, fromHour), toMs: Date.UTC(2026, 10, 23, toHour) }]
});

/** A plan of a day with few moves, judged. */
export function planned(input: BakeDayInput, conditions: Partial<Conditions> = {}, moves = 150) {
	const made = planDay(input, { seed: 1, moves }, { ...AS_IT_IS, ...conditions });
	if (!made.ok) throw new Error(JSON.stringify(made.error));
	return { placement: made.value, ...judgePlacement(input, made.value) };
}

/** 05:10 and 06:30 UTC on 24 November 2026. */
export const FERRY_MS = Date.UTC(2026, 10, 24, 5, 10);
export const SHOP_MS = Date.UTC(2026, 10, 24, 6, 30);

/** Mixing and bulk. */
const DOUGH_STEPS = [hands('mix', 20, { machine: 'mixer', endsAtCelsius: 27 }), BULK];

/** Whoever ordered takes it out of the racks. */
const HANDED_OVER = { pickingMinutes: 0, loadingMinutes: 0, roadMinutes: 0 };

export const DAY: BakeDayInput = {
	date: '2026-11-24' as BakeDate,
	drops: [
		{ id: ferry, name: 'Ferry', dueMs: FERRY_MS, readyByMs: FERRY_MS, ...HANDED_OVER },
		{ id: shop, name: 'Shop', dueMs: SHOP_MS, readyByMs: SHOP_MS, ...HANDED_OVER }
	],
	bakery: {
		mixers: [
			{
				id: 'mixer',
				name: 'Spiral mixer',
				bowls: 1,
				speeds: 2,
				cleanDownMinutes: 10,
				cleansAfter: ['allergen']
			}
		],
		ovens: [
			{
				id: 'oven',
				name: 'Oven',
				decks: [
					{ id: 'deck 1', name: 'Deck 1', hotSpots: '', reheatMinutes: 0 },
					{ id: 'deck 2', name: 'Deck 2', hotSpots: '', reheatMinutes: 0 }
				],
				sharesHeat: false,
				loadingMinutes: 5,
				switchOnTimer: true,
				preheatMinutes: 60,
				recoveryMinutes: 10,
				heatMinutesPerTenKelvin: 3,
				coolMinutesPerTenKelvin: 6
			}
		],
		benches: [],
		sheeters: [],
		dividers: [],
		places: [],
		provers: [],
		coldPlaces: []
	},
	people: null,
	elsewhere: [],
	learned: [],
	weighMinutes: 0,
	orders: [
		{ dropId: ferry, productId: round, name: 'Harbour round', pieces: 36 },
		{ dropId: shop, productId: round, name: 'Harbour round', pieces: 24 }
	],
	builds: [
		{
			preparationId: levain,
			revisionId: 'levain 1',
			name: 'Levain',
			ordinal: 1,
			begun: null,
			kind: 'build',
			grams: 9800,
			mixerIds: [],
			takenByBuilds: [],
			takenByDoughs: [loaf],
			takenByProducts: [],
			steps: [
				hands('mix', 10, { endsAtCelsius: 26 }),
				{
					...PROOF,
					activity: 'ferment',
					clock: { ...PROOF.clock!, underMinutes: 240, ripeMinutes: 300, overMinutes: 390 }
				}
			]
		}
	],
	doughs: [
		{
			formulaId: loaf,
			name: 'Harbour dough',
			mixes: [
				{
					ordinal: 1,
					count: 2,
					grams: 24_000,
					mixerIds: ['mixer'],
					leaves: [],
					revisionId: 'loaf 1',
					steps: DOUGH_STEPS,
					begun: null,
					leadMinutes: 0,
					portions: [{ productId: round, role: 'carries', pieces: 24, dropIds: [ferry] }]
				},
				{
					ordinal: 2,
					count: 2,
					grams: 24_000,
					mixerIds: ['mixer'],
					leaves: [],
					revisionId: 'loaf 1',
					steps: DOUGH_STEPS,
					begun: null,
					leadMinutes: 0,
					portions: [{ productId: round, role: 'carries', pieces: 38, dropIds: [ferry, shop] }]
				}
			]
		}
	],
	products: [
		{
			id: round,
			revisionId: 'round 1',
			name: 'Harbour round',
			scaledGrams: 900,
			steps: PORTION_STEPS,
			piecesPerDeck: 12,
			deckIds: ['deck 1', 'deck 2'],
			vessel: null,
			piecesPerTray: 6,
			dividerId: null,
			shape: '',
			score: '',
			scoreMm: null
		}
	]
};
