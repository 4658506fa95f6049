import { isOfDeck } from '../../contracts/sensor-kinds.ts';
import type { Held, Surroundings } from '../../contracts/device-protocol.ts';
import { workKey, workStates, type WorkState } from '../../core/bench/index.ts';
import { id, type PlaceId } from '../../core/identity.ts';
import { batchKey, type BakeDayInput, type DayPlan } from '../../core/planning/index.ts';
import { addDays, wallTimeOf } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import { loadMixedOn } from '../db/batch-log-standing.ts';
import type { Db } from '../db/client.ts';
import type { KnownDevice } from '../db/devices.ts';
import { loadEntries } from '../db/entries.ts';
import { placesOf, retardersOf } from '../db/of-entries.ts';
import { loadNewestPlans } from '../db/plans.ts';
import { loadWorkEntries } from '../db/work.ts';
import { bakeryNow } from './bakery-now.ts';
import { loadsIn } from './loads-in-place.ts';

interface Night {
	readonly plan: DayPlan;
	readonly input: BakeDayInput;
	readonly states: ReadonlyMap<string, WorkState>;
	/** When each mix was measured out of its bowl, by its batch. */
	readonly mixed: ReadonlyMap<string, number>;
}

/** What stands where the sensors of a device are, by the accepted plans around now and what was tapped. */
export async function surroundingsOf(
	db: Db,
	{ sensors }: KnownDevice,
	realNowMs: number
): Promise<Surroundings> {
	const [bakery, nowMs] = await Promise.all([loadBakery(db), bakeryNow(db, realNowMs)]);
	if (!bakery) return { sensors: sensors.map(({ name }) => ({ sensor: name, holds: null })) };
	const today = wallTimeOf({ epochMs: nowMs }, bakery.timeZone).date;
	const [plans, entries] = await Promise.all([
		loadNewestPlans(db, [today, addDays(today, 1)]),
		loadEntries(db, today, ['place'])
	]);
	const nights = await Promise.all(
		[...plans].map(async ([date, { plan, input }]): Promise<Night> => {
			const [taps, mixed] = await Promise.all([loadWorkEntries(db, date), loadMixedOn(db, date)]);
			return {
				plan,
				input,
				states: workStates(taps),
				mixed: new Map(
					mixed.flatMap(({ formulaId, ordinal, atMs }) =>
						formulaId === null ? [] : [[batchKey({ kind: 'mix', formulaId, ordinal }), atMs]]
					)
				)
			};
		})
	);
	const places = placesOf(entries);
	const retarders = new Map(retardersOf(entries).map((one) => [one.id, one]));
	return {
		sensors: sensors.map(({ name, kind, deckId, placeId }) => {
			if (isOfDeck(kind) && deckId !== null)
				return { sensor: name, holds: deckNow(nights, deckId, nowMs) };
			if (kind === 'tub-rise') return { sensor: name, holds: tubNow(nights) };
			const place =
				kind === 'place-probe' && placeId !== null ? places.get(id<PlaceId>(placeId)) : undefined;
			if (!place) return { sensor: name, holds: null };
			const retarder = retarders.get(place.id);
			return {
				sensor: name,
				holds: {
					kind: 'place' as const,
					setCelsius: place.celsius,
					cold: retarder
						? {
								compressorWatts: retarder.compressorWatts,
								airKilojoulesPerKelvin: retarder.airKilojoulesPerKelvin,
								wallsWattsPerKelvin: retarder.wallsWattsPerKelvin
							}
						: null,
					loads: nights.flatMap((night) => loadsIn(night, place.id))
				}
			};
		})
	};
}

/** A deck as it is set by its plan, and the load that was tapped into it and not out of it. */
function deckNow(nights: readonly Night[], deckId: string, nowMs: number): Held {
	const set = nights
		.flatMap(({ plan }) => plan.ovens)
		.filter((task) => task.deckIds.includes(deckId) && task.atMs <= nowMs)
		.sort((a, b) => b.atMs - a.atMs)[0];
	const loads = nights.flatMap(({ plan, states }) =>
		plan.tasks.flatMap((task) => {
			if (task.machineId !== deckId || task.step.kind !== 'bake') return [];
			const stateOf = (what: 'load' | 'draw') => {
				const index = task.attended.findIndex((one) => one.what === what);
				return states.get(workKey(task.id, what, index));
			};
			const [loaded, drawn] = [stateOf('load'), stateOf('draw')];
			if (loaded?.kind !== 'done' || drawn?.kind === 'done' || drawn?.kind === 'left-out')
				return [];
			const { loadCelsius, bakeMinutes, coreCelsius } = task.step;
			return [
				{
					sinceMs: loaded.toMs,
					loadCelsius,
					doughCelsius: task.celsius[0] ?? 24,
					bakeMinutes,
					coreCelsius
				}
			];
		})
	);
	return {
		kind: 'deck',
		setCelsius: set?.celsius ?? null,
		load: loads.sort((a, b) => b.sinceMs - a.sinceMs)[0] ?? null
	};
}

/** The dough that came out of a mixer last and is not divided: it is the one in the tub. */
function tubNow(nights: readonly Night[]): Held {
	const doughs = nights.flatMap(({ plan, states, mixed }) =>
		plan.tasks.flatMap((task) => {
			if (task.batch.kind !== 'mix' || task.step.kind !== 'wait' || !task.marks) return [];
			const { batch } = task;
			const sinceMs = mixed.get(batchKey(batch));
			const divided = plan.tasks.some(
				(other) =>
					other.batch.kind === 'portion' &&
					batchKey({ ...other.batch, kind: 'mix' }) === batchKey(batch) &&
					states.get(workKey(other.id, 'do', 0)) !== undefined
			);
			return sinceMs === undefined || divided
				? []
				: [{ kind: 'tub' as const, sinceMs, ripeMs: sinceMs + task.marks.ripeMs - task.startMs }];
		})
	);
	return doughs.sort((a, b) => b.sinceMs - a.sinceMs)[0] ?? null;
}
