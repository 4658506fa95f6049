import { endCelsiusOf } from '../baking/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import type { DayTask } from './day-plan.ts';
import type { BakeDayInput } from './input.ts';

/** What is done to an oven itself: switched on for its first load, set otherwise for another. */
export interface OvenTask {
	readonly kind: 'switch-on' | 'set' | 'switch-off';
	/** A deck with its own heat, or all decks of an oven that share one. */
	readonly deckIds: readonly string[];
	readonly name: string;
	readonly atMs: number;
	/** What it is set to; null where it is switched off. */
	readonly celsius: number | null;
	/** The oven does it by itself when its timer was set. */
	readonly byTimer: boolean;
}

/** Settings this close are one (our default, in degrees). */
const SAME_SETTING_CELSIUS = 2;

/**
 * What ovens have to be told by a plan: when each is switched on so that it is hot for its first load, when its setting
 * changes, and when it can be switched off.
 * Model: set for the next load as soon as the load before is drawn, from where its bake left the oven. Range: a told plan. Source: domain (ovens); preheat
 * as entered. Failures: none.
 * Example: a first load at 02:10 in an oven that takes 90 minutes is switched on at 00:40.
 */
export function ovenTasks(input: BakeDayInput, tasks: readonly DayTask[]): readonly OvenTask[] {
	return input.bakery.ovens
		.flatMap((oven) => {
			const heats = oven.sharesHeat
				? [{ name: oven.name, decks: oven.decks }]
				: oven.decks.map((deck) => ({ name: deck.name, decks: [deck] }));
			return heats.flatMap(({ name, decks }): readonly OvenTask[] => {
				const deckIds = decks.map(({ id }) => id);
				const told = { deckIds, name, byTimer: false };
				const loads = tasks
					.flatMap(({ machineId, step, startMs, endMs }) =>
						step.kind === 'bake' && machineId !== null && deckIds.includes(machineId)
							? [{ startMs, endMs, celsius: step.loadCelsius, endCelsius: endCelsiusOf(step) }]
							: []
					)
					.sort((a, b) => a.startMs - b.startMs);
				const [first] = loads;
				if (!first) return [];
				const on: OvenTask = {
					...told,
					kind: 'switch-on',
					atMs: first.startMs - oven.preheatMinutes * MINUTE_MS,
					celsius: first.celsius,
					byTimer: oven.switchOnTimer
				};
				const changes: OvenTask[] = [];
				let { endCelsius: celsius } = first;
				let freeMs = first.endMs;
				for (const load of loads.slice(1)) {
					// Nothing is set otherwise while bread of another load is in the same heat.
					if (load.startMs >= freeMs && Math.abs(load.celsius - celsius) > SAME_SETTING_CELSIUS)
						changes.push({ ...told, kind: 'set', atMs: freeMs, celsius: load.celsius });
					if (load.endMs <= freeMs) continue;
					celsius = load.endCelsius;
					freeMs = load.endMs;
				}
				return [on, ...changes, { ...told, kind: 'switch-off', atMs: freeMs, celsius: null }];
			});
		})
		.sort((a, b) => a.atMs - b.atMs);
}
