import { endCelsiusOf } from '../baking/index.ts';
import type { BakeDate } from '../time/index.ts';
import type { BatchRef } from './batch-ref.ts';
import type { DayPlan } from './day-plan.ts';
import type { BakeDayInput } from './input.ts';
import { ovenOf } from './oven-provers.ts';
import { placeStays } from './places-full.ts';
import { vesselUses } from './vessels.ts';

/** Somebody, a mixer, a deck, vessels or room that the accepted plan of another date has from one moment to another. */
export interface TakenElsewhere {
	readonly of: 'person' | 'mixer' | 'deck' | 'vessel' | 'place';
	readonly id: string;
	readonly date: BakeDate;
	/** What for. */
	readonly name: string;
	readonly fromMs: number;
	readonly toMs: number;
	/** How many vessels, or how much room in parts of a tray; 1 of all else. */
	readonly amount: number;
	/** The heat of a deck, at loading and at the end; null for all else. */
	readonly heat: { readonly celsius: number; readonly endCelsius: number } | null;
}

/**
 * What a plan takes of people and machines that other dates share with it.
 *
 * Model: whoever attends while they do; a mixer for the whole mix; a deck from loading until it is drawn, with what is
 * loaded together as one; vessels and room in places as they are counted on a date; an oven in which dough stands, all
 * of its decks. Range: a plan as it is told and what it was made from.
 * Source: domain (two dates on one line). Failures: none.
 * Example: a load of two products at 03:00, drawn at 03:40 and 03:45, takes its deck from 03:00 to 03:45.
 */
export function takenBy(plan: DayPlan, input: BakeDayInput): readonly TakenElsewhere[] {
	const { date } = input;
	const mixers = new Set(input.bakery.mixers.map(({ id }) => id));
	const decks = new Map<string, TakenElsewhere>();
	const others: TakenElsewhere[] = [];
	for (const { batch, step, machineId, startMs, endMs, attended } of plan.tasks) {
		const name = nameOf(batch, input);
		for (const { fromMs, toMs, personIds } of attended)
			for (const id of personIds)
				others.push({ of: 'person', id, date, name, fromMs, toMs, amount: 1, heat: null });
		if (machineId === null) continue;
		if (mixers.has(machineId))
			others.push({
				of: 'mixer',
				id: machineId,
				date,
				name,
				fromMs: startMs,
				toMs: endMs,
				amount: 1,
				heat: null
			});
		if (step.kind !== 'bake') continue;
		const key = `${machineId} ${startMs}`;
		const known = decks.get(key);
		const drawnMs = Math.max(endMs, ...attended.map(({ toMs }) => toMs), known?.toMs ?? 0);
		decks.set(key, {
			of: 'deck',
			id: machineId,
			date,
			name: known ? `${known.name}, ${name}` : name,
			fromMs: startMs,
			toMs: drawnMs,
			amount: 1,
			heat: known?.heat ?? { celsius: step.loadCelsius, endCelsius: endCelsiusOf(step) }
		});
	}
	for (const { name, fromMs, toMs, personIds } of plan.deliveries)
		for (const id of personIds)
			others.push({ of: 'person', id, date, name, fromMs, toMs, amount: 1, heat: null });
	const proving = placeStays(plan, input).flatMap(({ placeId, batch, fromMs, toMs }) => {
		const { celsius } = input.bakery.places.find(({ id }) => id === placeId) ?? { celsius: 0 };
		return (ovenOf(placeId, input.bakery)?.decks ?? []).map(({ id }) => ({
			of: 'deck' as const,
			id,
			date,
			name: nameOf(batch, input),
			fromMs,
			toMs,
			amount: 1,
			heat: { celsius, endCelsius: celsius }
		}));
	});
	const counted = [
		...vesselUses(plan, input).map((use) => ({ of: 'vessel' as const, id: use.vesselId, ...use })),
		...placeStays(plan, input).map((stay) => ({ of: 'place' as const, id: stay.placeId, ...stay }))
	].map(({ of, id, batch, fromMs, toMs, count }) => ({
		of,
		id,
		date,
		name: nameOf(batch, input),
		fromMs,
		toMs,
		amount: count,
		heat: null
	}));
	return [...others, ...decks.values(), ...proving, ...counted].sort(
		(a, b) => a.fromMs - b.fromMs || (a.id < b.id ? -1 : 1)
	);
}

function nameOf(batch: BatchRef, input: BakeDayInput): string {
	switch (batch.kind) {
		case 'preparation':
			return (
				input.builds.find(({ preparationId }) => preparationId === batch.preparationId)?.name ?? ''
			);
		case 'mix':
			return input.doughs.find(({ formulaId }) => formulaId === batch.formulaId)?.name ?? '';
		case 'portion':
		case 'load':
			return input.products.find(({ id }) => id === batch.productId)?.name ?? '';
	}
}
