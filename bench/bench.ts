import { expandDay, planDay } from '../src/lib/core/bake-day/index.ts';
import { DAY } from '../src/lib/core/bake-day/harbour-day.fixture.ts';
import {
	doseOfStretch,
	LIFT,
	rateAt,
	type PathStretch
} from '../src/lib/core/fermentation/index.ts';
import { productionOf, type ProductionInput } from '../src/lib/core/production/index.ts';
import { loadBakeryDay } from '../src/lib/server/services/day-production.ts';
import { testDatabase, TOMORROW } from '../tests/integration/test-database.ts';
import { measurePages } from './pages.ts';
import { medianMs, report, type Figure } from './measure.ts';

/** Recompute of the demo's doughs after one order changes, against a plain loop over the same numbers. */
async function orderChange(input: ProductionInput): Promise<Figure> {
	const { demands } = input;
	let more = 0;
	const ms = await medianMs(() => {
		more = 1 - more;
		const changed = demands.map((one, at) =>
			at === 0 ? { ...one, pieces: one.pieces + more } : one
		);
		return productionOf({ ...input, demands: changed });
	}, 2000);
	// The same multiplications with nothing around them: dough, flour, every line, rounded.
	const production = productionOf(input);
	if (!production.ok) throw new Error('the demo can be made');
	const weights = new Map(input.products.map((one) => [one.id, one.scaledWeight.grams]));
	const pieces = demands.map((one) => one.pieces);
	const grams = demands.map((one) => weights.get(one.productId) ?? 0);
	const percents = [
		...production.value.doughs.flatMap((dough) => dough.mixes.flatMap((mix) => mix.lines)),
		...production.value.builds.flatMap((build) => build.lines)
	].map((line) => line.percentOfFlour);
	let kept = 0;
	const baselineMs = await medianMs(() => {
		let dough = 0;
		for (let at = 0; at < pieces.length; at += 1) dough += (pieces[at] ?? 0) * (grams[at] ?? 0);
		const flour = dough / 0.975 / 2;
		for (const percent of percents) kept += Math.round((flour * percent) / 100);
	}, 2000);
	if (kept === 0) throw new Error('the loop was optimised away');
	return {
		what: "the demo's doughs after one order changes",
		ms,
		baseline: 'plain loop over the same data',
		baselineMs,
		committedRatio: 130
	};
}

/** Dose on a drift, against the closed form at one temperature; with its error beside it. */
async function dose(): Promise<Figure> {
	const drift: PathStretch = { minutes: 720, ambientCelsius: 4, timeConstantMinutes: 150 };
	const held: PathStretch = { minutes: 720, ambientCelsius: 4, timeConstantMinutes: Infinity };
	const ms = await medianMs(() => doseOfStretch(LIFT.sourdough, 25, 24, drift), 5000);
	const baselineMs = await medianMs(() => doseOfStretch(LIFT.sourdough, 25, 24, held), 5000);
	const steps = 2_000_000;
	let fine = 0;
	for (let at = 0; at < steps; at += 1) {
		const minute = ((at + 0.5) * 720) / steps;
		fine += rateAt(LIFT.sourdough, 4 + 20 * Math.exp(-minute / 150));
	}
	fine *= 720 / steps / rateAt(LIFT.sourdough, 25);
	const error = Math.abs(doseOfStretch(LIFT.sourdough, 25, 24, drift) - fine);
	return {
		what: `dose on a drift (error ${error.toExponential(1)} min)`,
		ms,
		baseline: 'closed form, one temperature',
		baselineMs,
		committedRatio: 20
	};
}

/** A plan of the test day, against working out its chains without placing them. */
async function plan(): Promise<Figure> {
	const ms = await medianMs(() => {
		const run = planDay(DAY);
		while (!run.next().done);
	}, 500);
	const baselineMs = await medianMs(() => expandDay(DAY), 500);
	return {
		what: 'plan of a day with two mixes',
		ms,
		baseline: 'working out its chains alone',
		baselineMs,
		committedRatio: 4
	};
}

const young = await testDatabase();
const old = await testDatabase();
try {
	const { input } = await loadBakeryDay(young.db, TOMORROW);
	const core = report('Core', [await orderChange(input), await dose(), await plan()]);
	const pages = report(
		'Pages: server time against the bare queries',
		await measurePages(young.db, old.db)
	);
	if (!core || !pages) process.exitCode = 1;
} finally {
	await young.drop();
	await old.drop();
}
