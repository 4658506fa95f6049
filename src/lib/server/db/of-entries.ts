import {
	loadingMinutesOf,
	minutesBeforeDue,
	sheetGrams,
	type OvenDeck,
	type CutOff,
	type VesselUse
} from '../../core/bakery/index.ts';
import type { RollsOut } from '../../contracts/book-views.ts';
import type { Retarder } from '../../core/fermentation/index.ts';
import type { Place } from '../../core/formula/index.ts';
import { id, type PlaceId } from '../../core/identity.ts';
import type { Mixer } from '../../core/mixing/index.ts';
import type { BakeryMachines, PlannedMixer, PlannedOven } from '../../core/planning/index.ts';
import type { Divider } from '../../core/production/index.ts';
import type { WallTime } from '../../core/time/index.ts';
import type { WeighingScale } from '../../core/units/index.ts';
import type { Entries } from './entries.ts';

function withMotor(entries: Entries) {
	return entries.of('mixer').filter(({ content }) => content.drive === 'machine');
}

/** The mixers that have a motor. */
export function mixersOf(entries: Entries): readonly Mixer[] {
	return withMotor(entries).map(({ id: mixerId, name, content }) => ({
		id: mixerId,
		name,
		leastGrams: content.leastGrams,
		mostGrams: content.mostGrams,
		stiff: content.stiff,
		bowlKilojoulesPerKelvin: content.bowlKilojoulesPerKelvin
	}));
}

/** The mixers that have a motor, as a plan sees them. */
export function plannedMixersOf(entries: Entries): readonly PlannedMixer[] {
	return withMotor(entries).map(({ id: mixerId, name, content }) => ({
		id: mixerId,
		name,
		bowls: content.bowls,
		speeds: content.speeds,
		cleanDownMinutes: content.cleanDownMinutes,
		cleansAfter: [
			...(content.allergensLast ? (['allergen'] as const) : []),
			...(content.lightBeforeDark ? (['dark'] as const) : [])
		]
	}));
}

/** The most that any mixer takes; what hands take where the bakery has none. */
export function mostOfAnyMixer(entries: Entries): number {
	const machines = mixersOf(entries);
	return machines.length === 0
		? (handMixingOf(entries)?.mostGrams ?? 0)
		: Math.max(...machines.map(({ mostGrams }) => mostGrams));
}

/** The most that is rolled out in one sheet: on the widest sheeter, or by hand on the longest bench; null where there is neither. */
export function rollsOutOf(entries: Entries): RollsOut | null {
	const sheeters = entries.of('sheeter').map(({ name, content }): RollsOut => ({
		on: name,
		widthCm: content.widthCm,
		lengthCm: content.lengthCm,
		rollersMm: { thinnest: content.thinnestMillimetres, thickest: content.thickestMillimetres }
	}));
	const benches = entries.of('bench').map(({ name, content: { widthCm, lengthCm } }): RollsOut => ({
		on: name,
		widthCm,
		lengthCm,
		rollersMm: null
	}));
	const [largest] = (sheeters.length > 0 ? sheeters : benches).toSorted(
		(a, b) => b.widthCm * b.lengthCm - a.widthCm * a.lengthCm
	);
	return largest ?? null;
}

/** What hands take at once, and the tub they mix in. */
export interface HandMixing {
	readonly mostGrams: number;
	readonly bowlKilojoulesPerKelvin: number;
}

/** The largest that is mixed by hand; null where the bakery says nothing of it. */
export function handMixingOf(entries: Entries): HandMixing | null {
	const hands = entries.of('mixer').filter(({ content }) => content.drive === 'hands');
	return hands.reduce<HandMixing | null>(
		(largest, { content }) =>
			largest === null || content.mostGrams > largest.mostGrams ? content : largest,
		null
	);
}

/** From the finest to the coarsest. */
export function scalesOf(entries: Entries): readonly (WeighingScale & { readonly id: string })[] {
	return entries
		.of('scale')
		.map(({ id: scaleId, name, content }) => ({
			id: scaleId,
			name,
			capacity: { grams: content.capacityGrams },
			division: { grams: content.divisionGrams }
		}))
		.sort((a, b) => a.division.grams - b.division.grams);
}

/** What weights are told to where the bakery has no scale: a gram, up to what a bag holds (our default). */
const ANY_SCALE = {
	id: '',
	name: 'any scale',
	capacity: { grams: 30_000 },
	division: { grams: 1 }
};

/** The scales that weights are rounded to. */
export function weighedOn(entries: Entries): readonly WeighingScale[] {
	const scales = scalesOf(entries);
	return (scales.length > 0 ? scales : [ANY_SCALE]).map(({ name, capacity, division }) => ({
		name,
		capacity,
		division
	}));
}

/** The decks of all ovens, named by their oven where there are several. */
export function decksOf(entries: Entries): readonly OvenDeck[] {
	const ovens = entries.of('oven');
	return ovens.flatMap(({ name, content }) =>
		content.decks.map((deck) => ({
			...deck,
			topAndBottom: content.topAndBottom,
			fan: content.fan,
			name: ovens.length > 1 ? `${name}, ${deck.name}` : deck.name
		}))
	);
}

/** The ovens as a plan sees them. */
export function plannedOvensOf(entries: Entries): readonly PlannedOven[] {
	const named = new Map(decksOf(entries).map((deck) => [deck.id, deck.name]));
	return entries.of('oven').map(({ id: ovenId, name, content }) => ({
		id: ovenId,
		name,
		decks: content.decks.map((deck) => ({
			id: deck.id,
			name: named.get(deck.id) ?? deck.name,
			hotSpots: deck.hotSpots,
			reheatMinutes: deck.kind === 'pots' ? deck.reheatMinutes : 0
		})),
		sharesHeat: content.sharesHeat,
		preheatMinutes: content.preheatMinutes,
		loadingMinutes: loadingMinutesOf(content),
		switchOnTimer: content.switchOnTimer,
		recoveryMinutes: content.recoveryMinutes,
		heatMinutesPerTenKelvin: content.heatMinutesPerTenKelvin,
		coolMinutesPerTenKelvin: content.coolMinutesPerTenKelvin
	}));
}

/** Benches, sheeters, dividers and places that can run out of room, as a plan sees them. */
export function workplacesOf(
	entries: Entries
): Pick<BakeryMachines, 'benches' | 'sheeters' | 'dividers' | 'places' | 'provers' | 'coldPlaces'> {
	const named = <T extends { readonly id: string; readonly name: string }>({ id, name }: T) => ({
		id,
		name
	});
	return {
		benches: entries.of('bench').map((bench) => ({ ...named(bench), hands: bench.content.hands })),
		sheeters: entries
			.of('sheeter')
			.map((sheeter) => ({ ...named(sheeter), sheetGrams: sheetGrams(sheeter.content) })),
		dividers: entries.of('divider').map(named),
		places: entries.of('place').flatMap((place) =>
			place.content.holds === null
				? []
				: [
						{
							...named(place),
							trays: place.content.holds,
							ovenId: place.content.ovenId,
							celsius: place.content.celsius
						}
					]
		),
		provers: entries
			.of('place')
			.flatMap((place) =>
				place.content.humidityPercent === null
					? []
					: [{ ...named(place), humidityPercent: place.content.humidityPercent }]
			),
		// Dough is sent to what is cold, not to what freezes it.
		coldPlaces: entries
			.of('place')
			.flatMap((place) =>
				place.content.placeKind === 'cold' && place.content.celsius > 0
					? [{ ...named(place), celsius: place.content.celsius }]
					: []
			)
	};
}

export interface DropSettings {
	readonly id: string;
	readonly name: string;
	readonly dueTime: WallTime;
	readonly weekdays: readonly number[];
	readonly pickingMinutes: number;
	readonly loadingMinutes: number;
	readonly roadMinutes: number;
	/** Picking, loading and the road. */
	readonly minutesBeforeDue: number;
	readonly cutOff: CutOff | null;
	readonly retired: boolean;
}

/** Those in use, by the time at which they are due. */
export function dropsOf(entries: Entries): readonly DropSettings[] {
	return everyDrop(entries).filter(({ retired }) => !retired);
}

/** Retired ones too: what was ordered for one is baked until somebody takes the order off. */
export function everyDrop(entries: Entries): readonly DropSettings[] {
	return entries
		.all('drop')
		.map(({ id: dropId, name, retired, content }) => ({
			id: dropId,
			name,
			retired,
			dueTime: content.dueTime,
			weekdays: content.weekdays,
			pickingMinutes: content.pickingMinutes,
			loadingMinutes: content.loadingMinutes,
			roadMinutes: content.roadMinutes,
			minutesBeforeDue: minutesBeforeDue(content),
			cutOff: content.cutOff
		}))
		.sort((a, b) => (a.dueTime < b.dueTime ? -1 : a.dueTime > b.dueTime ? 1 : 0));
}

const ROLES = ['bakehouse', 'flour', 'other'] as const satisfies readonly Place['role'][];

/** Every named place: the bakehouse and the bins first, the others by name. Retired ones where they are asked for. */
export function placesOf(
	entries: Entries,
	which: 'in-use' | 'all' = 'all'
): ReadonlyMap<PlaceId, Place> {
	const places = (which === 'all' ? entries.all('place') : entries.of('place')).map(
		({ id: placeId, name, content }): Place => ({
			id: id<PlaceId>(placeId),
			name,
			kind: content.placeKind,
			role: content.role,
			celsius: content.celsius
		})
	);
	const inOrder = places.sort((a, b) => ROLES.indexOf(a.role) - ROLES.indexOf(b.role));
	return new Map(inOrder.map((place) => [place.id, place]));
}

export interface RetarderSettings extends Retarder {
	readonly id: string;
	readonly name: string;
}

/** The cold places whose heat is known. */
export function retardersOf(entries: Entries): readonly RetarderSettings[] {
	return entries
		.of('place')
		.flatMap(({ id: retarderId, name, content }) =>
			content.cold === null
				? []
				: [{ id: retarderId, name, setCelsius: content.celsius, ...content.cold }]
		);
}

export interface DividerSettings extends Divider {
	readonly id: string;
}

export function dividersOf(entries: Entries): readonly DividerSettings[] {
	return entries.of('divider').map(({ id: dividerId, name, content }) => ({
		id: dividerId,
		name,
		heads: content.heads,
		leastPiece: { grams: content.leastPieceGrams },
		mostPiece: { grams: content.mostPieceGrams }
	}));
}

export interface VesselSettings {
	readonly id: string;
	readonly name: string;
	readonly use: VesselUse;
	readonly owned: number;
	readonly holds: number | null;
	readonly millilitres: number | null;
}

export function vesselsOf(entries: Entries): readonly VesselSettings[] {
	return entries.of('vessel').map(({ id: vesselId, name, content }) => ({
		id: vesselId,
		name,
		use: content.use,
		owned: content.owned,
		holds: content.holds,
		millilitres: content.millilitres
	}));
}
