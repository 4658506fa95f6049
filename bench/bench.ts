import { planDay } from '../src/lib/core/bake-day/index.ts';
import { DAY } from '../src/lib/core/bake-day/harbour-day.fixture.ts';
import { doseOfStretch, LIFT, rateAt, type PathStretch } from '../src/lib/core/fermentation/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from '../src/lib/core/formula/oat-loaf.fixture.ts';
import { id, type DropId, type ProductId } from '../src/lib/core/identity.ts';
import { productionOf, type Demand } from '../src/lib/core/production/index.ts';
import { measurePages } from './pages.ts';
import { medianMs, report, type Figure } from './measure.ts';

const SCALES = [
	{ name: 'gram scale', capacity: { grams: 500 }, division: { grams: 0.1 } },
	{ name: 'bench scale', capacity: { grams: 6000 }, division: { grams: 1 } },
	{ name: 'floor scale', capacity: { grams: 60_000 }, division: { grams: 20 } }
];

/** Recompute of a day's doughs after one order changes, against a plain loop over the same numbers. */
async function orderChange(): Promise<Figure> {
	const products = Array.from({ length: 6 }, (_, index) => ({
		id: id<ProductId>(`p${index}`),
		name: `product ${index}`,
		formulaId: OAT_LOAF.id,
		scaledWeight: { grams: 400 + 100 * index }
	}));
	const demands: Demand[] = products.flatMap((product) =>
		[1, 2, 3].map((drop) => ({
			dropId: id<DropId>(`d${drop}`),
			dueMs: drop * 3_600_000,
			productId: product.id,
			pieces: 12
		}))
	);
	const formulas = [{ formula: OAT_LOAF, limits: { least: { grams: 0 }, most: { grams: 30_000 } } }];
	let pieces = 12;
	const ms = await medianMs(() => {
		pieces = pieces === 12 ? 13 : 12;
		const changed = demands.map((one, at) => (at === 0 ? { ...one, pieces } : one));
		return productionOf({ demands: changed, products, formulas, pantry: OAT_LOAF_PANTRY, scales: SCALES });
	}, 2000);
	// The same multiplications with nothing around them: dough, flour, every line, rounded.
	const weights = demands.map((one) => 400 + 100 * products.findIndex((product) => product.id === one.productId));
	const percents = [3.6, 7.2, 9, 16.2, 12, 18, 70, 12, 52, 6, 2.1, 2];
	let kept = 0;
	const baselineMs = await medianMs(() => {
		let dough = 0;
		for (let at = 0; at < demands.length; at += 1) dough += (demands[at]?.pieces ?? 0) * (weights[at] ?? 0);
		const flour = dough / 0.975 / 2.101;
		for (const percent of percents) kept += Math.round((flour * percent) / 100);
	}, 2000);
	if (kept === 0) throw new Error('the loop was optimised away');
	return { what: 'doughs after one order changes', ms, baseline: 'plain loop over the same data', baselineMs, committedRatio: null };
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
	return { what: `dose on a drift (error ${error.toExponential(1)} min)`, ms, baseline: 'closed form, one temperature', baselineMs, committedRatio: null };
}

/** A plan of the test day, against laying its tasks end to end. */
async function plan(): Promise<Figure> {
	const ms = await medianMs(() => {
		const run = planDay(DAY);
		while (!run.next().done);
	}, 500);
	const baselineMs = await medianMs(() => {
		let end = 0;
		for (const dough of DAY.doughs)
			for (const mix of dough.mixes)
				for (const step of dough.steps) end += step.kind === 'hands-on' ? step.fixedMinutes : mix.ordinal;
		return end;
	}, 500);
	return { what: 'plan of a day with two mixes', ms, baseline: 'its steps laid end to end', baselineMs, committedRatio: null };
}

const core = report('Core', [await orderChange(), await dose(), await plan()]);
const pages = report('Pages: server time against the bare queries', await measurePages());
if (!core || !pages) process.exitCode = 1;
