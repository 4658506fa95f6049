import { batchKey, type BatchRef } from './batch-ref.ts';
import { MINUTE_MS } from '../time/index.ts';
import type { DayPlan, DayTask } from './day-plan.ts';
import { GRID_MINUTES } from './grid.ts';
import type { BakeDayInput, PlannedProduct, PlannedVessel } from './input.ts';
import { peakOf, usesElsewhere, type Use } from './peak-of-uses.ts';

/** More baskets, tins or trays wanted at once than there are. */
export interface VesselsShort {
	readonly name: string;
	readonly owned: number;
	readonly wanted: number;
	/** When most are wanted. */
	readonly atMs: number;
}

/**
 * Where a plan wants more vessels at once than the bakery owns.
 *
 * Model: a piece stands in its vessel from when its shaping ends until its load is loaded (a basket, a board) or baked (a
 * tin, a tray); several pieces in one leave it together. What other dates have of them is counted while this one has some.
 * Range: a described plan and what it was made from. Source: our default. Failures: none.
 * Example: 50 loaves in 30 tins, in loads of 20 one after another: the first 20 tins are out of the oven before the last
 * loaves are shaped, or they are told to be short.
 */
export function vesselsShort(plan: DayPlan, input: BakeDayInput): readonly VesselsShort[] {
	const vessels = new Map(
		input.products.flatMap(({ vessel }) => (vessel ? [[vessel.id, vessel] as const] : []))
	);
	const uses = vesselUses(plan, input);
	return [...vessels.values()].flatMap((vessel) => {
		const peak = peakOf(
			uses.filter(({ vesselId }) => vesselId === vessel.id),
			usesElsewhere('vessel', vessel.id, input)
		);
		return peak && peak.wanted > vessel.owned
			? [{ name: vessel.name, owned: vessel.owned, wanted: peak.wanted, atMs: peak.atMs }]
			: [];
	});
}

/** So many vessels that a load's pieces stand in, from one moment to another. */
export interface VesselUse extends Use {
	readonly vesselId: string;
	readonly batch: BatchRef;
}

/** Every use of a vessel in a plan. */
export function vesselUses(plan: DayPlan, input: BakeDayInput): readonly VesselUse[] {
	return input.products.flatMap((product) =>
		product.vessel ? usesOf(product, product.vessel, plan) : []
	);
}

function usesOf(
	product: PlannedProduct,
	vessel: PlannedVessel,
	plan: DayPlan
): readonly VesselUse[] {
	return plan.tasks.flatMap((load): readonly VesselUse[] => {
		const { batch } = load;
		if (batch.kind !== 'load' || batch.productId !== product.id || load.step.kind !== 'bake')
			return [];
		const { formulaId, ordinal, productId } = batch;
		const portion = batchKey({ kind: 'portion', formulaId, ordinal, productId });
		const own = plan.tasks.filter((task) => batchKey(task.batch) === portion);
		const filled = filledAt(own, load);
		const toMs = vessel.until === 'loaded' ? load.startMs : load.endMs;
		return filled === null || filled >= toMs
			? []
			: [
					{
						vesselId: vessel.id,
						batch,
						fromMs: filled,
						toMs,
						count: Math.ceil(batch.pieces / vessel.holds)
					}
				];
	});
}

const GRID_MS = GRID_MINUTES * MINUTE_MS;

/** When pieces come into their vessel: shaped or panned last before they are loaded; null where nothing says. */
function filledAt(portion: readonly DayTask[], load: DayTask): number | null {
	const before = portion.filter((task) => task.endMs <= load.startMs);
	const shaped = before.findLast(
		({ step }) => step.kind === 'hands-on' && (step.activity === 'shape' || step.activity === 'pan')
	);
	const filled = (shaped ?? before[0])?.endMs;
	// What is shaped within a unit of the plan stands in its vessels from the next on.
	return filled === undefined ? null : Math.ceil(filled / GRID_MS) * GRID_MS;
}
