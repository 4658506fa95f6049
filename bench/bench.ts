import {
	doughCard,
	traceOf,
	watchDoughs,
	type RipeningStep,
	type WatchedDough
} from '../src/lib/core/ripening/index.ts';
import { expandDay, planDay } from '../src/lib/core/planning/index.ts';
import { BULK, DAY } from '../src/lib/core/planning/harbour-day.fixture.ts';
import { chanceFrom, normalFrom } from '../src/lib/core/chance.ts';
import {
	doseOfStretch,
	LIFT,
	rateAt,
	ripeMinutesAt,
	warmingAt,
	type PathStretch
} from '../src/lib/core/fermentation/index.ts';
import { productionOf, type ProductionInput } from '../src/lib/core/production/index.ts';
import {
	editLine,
	figuresOf,
	resolveFormula,
	stagesInOrder,
	totalFlourFrom,
	type Formula,
	type Ingredient,
	type Preparation,
	type ResolvedFormula
} from '../src/lib/core/formula/index.ts';
import {
	id,
	type FormulaId,
	type IngredientId,
	type PreparationId
} from '../src/lib/core/identity.ts';
import { loadBakeryDay } from '../src/lib/server/services/day-production.ts';
import { testDatabase, TOMORROW } from '../tests/integration/test-database.ts';
import { readingABook } from './book-of-500.ts';
import { ordersToIngredients } from './ordered-week.ts';
import { reportGrowth } from './nights.ts';
import { measurePages, PAGES } from './pages.ts';
import { mediansInTurns, report, type Figure } from './measure.ts';

/** Recompute of the demo's doughs after one order changes, against a plain loop over the same numbers. */
async function orderChange(input: ProductionInput): Promise<Figure> {
	const { demands } = input;
	let more = 0;
	const work = () => {
		more = 1 - more;
		const changed = demands.map((demand, at) =>
			at === 0 ? { ...demand, pieces: demand.pieces + more } : demand
		);
		return productionOf({ ...input, demands: changed });
	};
	// The same multiplications with nothing around them: dough, flour, every line, rounded.
	const production = productionOf(input);
	if (!production.ok) throw new Error('the demo can be made');
	const weights = new Map(
		input.products.map((product) => [product.id, product.doughs[0]?.scaledWeight.grams ?? 0])
	);
	const pieces = demands.map((demand) => demand.pieces);
	const grams = demands.map((demand) => weights.get(demand.productId) ?? 0);
	const percents = [
		...production.value.doughs.flatMap((dough) => dough.mixes.flatMap((mix) => mix.lines)),
		...production.value.builds.flatMap((build) => build.lines)
	].map((line) => line.percentOfFlour);
	let kept = 0;
	const bare = () => {
		let dough = 0;
		for (let at = 0; at < pieces.length; at += 1) dough += (pieces[at] ?? 0) * (grams[at] ?? 0);
		const flour = dough / 0.975 / 2;
		for (const percent of percents) kept += Math.round((flour * percent) / 100);
	};
	const [ms, baselineMs] = await mediansInTurns(work, bare, 40, 20, 2000);
	if (kept === 0) throw new Error('the loop was optimised away');
	return {
		what: "the demo's doughs after one order changes",
		ms,
		baseline: 'plain loop over the same data',
		baselineMs,
		committedRatio: 460
	};
}

/** Dose on a drift, against the closed form at one temperature; with its error beside it. */
async function dose(): Promise<Figure> {
	const drift: PathStretch = { minutes: 720, ambientCelsius: 4, timeConstantMinutes: 150 };
	const held: PathStretch = { minutes: 720, ambientCelsius: 4, timeConstantMinutes: Infinity };
	// Another start each time and a sum that is kept, so that no call can be left out.
	let turn = 0;
	let kept = 0;
	const start = () => 20 + (turn = (turn + 1) % 8);
	const work = () => (kept += doseOfStretch(LIFT.sourdough, 25, start(), drift));
	const bare = () => (kept += doseOfStretch(LIFT.sourdough, 25, start(), held));
	const [ms, baselineMs] = await mediansInTurns(work, bare, 40, 500, 2000);
	const steps = 2_000_000;
	let fine = 0;
	for (let at = 0; at < steps; at += 1) {
		const minute = ((at + 0.5) * 720) / steps;
		fine += rateAt(LIFT.sourdough, 4 + 20 * Math.exp(-minute / 150));
	}
	fine *= 720 / steps / rateAt(LIFT.sourdough, 25);
	if (kept === 0) throw new Error('the doses were optimised away');
	const error = Math.abs(doseOfStretch(LIFT.sourdough, 25, 24, drift) - fine);
	return {
		what: `dose on a drift (error ${error.toExponential(1)} min)`,
		ms,
		baseline: 'closed form, one temperature',
		baselineMs,
		committedRatio: 8
	};
}

/** A night of doughs followed anew from all that the room's probe said, against one temperature each. */
async function reforecast(): Promise<Figure> {
	const MINUTE = 60_000;
	const chance = chanceFrom(60);
	const readings = Array.from({ length: 2000 }, (_, at) => ({
		atMs: at * 0.36 * MINUTE,
		celsius: 24 + 3 * Math.sin(at / 300) + 0.05 * normalFrom(chance)
	}));
	const { clock } = BULK;
	if (!clock) throw new Error('the bulk has a clock');
	const step: RipeningStep = { ...BULK, clock };
	const doughs: WatchedDough[] = Array.from({ length: 60 }, (_, at) => ({
		step,
		clockFactor: 1,
		grams: 25_000,
		mixedAtMs: at * 6 * MINUTE,
		mixedCelsius: 24 + (at % 7) * 0.4,
		events: [],
		retarderId: null
	}));
	const nowMs = 720 * MINUTE;
	let kept = 0;
	const work = () => {
		const air = { room: traceOf(readings), roomCelsius: 25, named: new Map(), retarders: [] };
		for (const story of watchDoughs(doughs, air, nowMs).stories)
			kept += story ? (doughCard(story).marks.ripe ?? 0) : 0;
	};
	const bare = () => {
		for (const dough of doughs)
			kept += ripeMinutesAt(LIFT.sourdough, 25, 210, dough.mixedCelsius) ?? 0;
	};
	const [ms, baselineMs] = await mediansInTurns(work, bare, 30, 1, 400);
	if (kept === 0) throw new Error('the forecasts were optimised away');
	return {
		what: '60 doughs re-forecast from 2 000 readings',
		ms,
		baseline: 'closed form, one temperature each',
		baselineMs,
		committedRatio: 13_000
	};
}

/** A tub that warms itself, followed to its tolerance, against the closed form; with its error beside it. */
async function selfHeating(): Promise<Figure> {
	const tub: PathStretch = {
		minutes: 300,
		ambientCelsius: 22,
		timeConstantMinutes: 420,
		selfHeating: { kelvinsPerHour: 0.4, curve: LIFT.sourdough }
	};
	const { selfHeating: _, ...plain } = tub;
	let turn = 0;
	let kept = 0;
	const start = () => 24 + (turn = (turn + 1) % 8) / 2;
	const work = () => (kept += doseOfStretch(LIFT.sourdough, 25, start(), tub));
	const bare = () => (kept += doseOfStretch(LIFT.sourdough, 25, start(), plain));
	const [ms, baselineMs] = await mediansInTurns(work, bare, 40, 50, 2000);
	if (kept === 0) throw new Error('the doses were optimised away');
	// The reference: a million steps of the middle point.
	const steps = 1_000_000;
	const length = tub.minutes / steps;
	let celsius = 26;
	let fine = 0;
	const reference = rateAt(LIFT.sourdough, 25);
	for (let at = 0; at < steps; at += 1) {
		const half = celsius + (length / 2) * warmingAt(celsius, tub);
		fine += (length * rateAt(LIFT.sourdough, half)) / reference;
		celsius += length * warmingAt(half, tub);
	}
	const error = Math.abs(doseOfStretch(LIFT.sourdough, 25, 26, tub) - fine);
	if (error > 0.01) throw new Error(`the tolerance is 0.01 min, the error ${error}`);
	return {
		what: `dose of a tub that warms itself (error ${error.toExponential(1)} min)`,
		ms,
		baseline: 'closed form of a drift',
		baselineMs,
		committedRatio: 75
	};
}

/** A plan of the test day, against working out its chains without placing them. */
async function plan(): Promise<Figure> {
	const work = () => planDay(DAY, { seed: 1, moves: 20 });
	const bare = () => expandDay(DAY);
	const [ms, baselineMs] = await mediansInTurns(work, bare, 40, 20, 20);
	return {
		what: 'plan of a day with two mixes, and twenty moves to better it',
		ms,
		baseline: 'working out its chains alone',
		baselineMs,
		committedRatio: 60
	};
}

/** A formula of 60 lines in three stages, as large as a sheet gets. */
function largeFormula(): ResolvedFormula {
	const ingredients = Array.from({ length: 60 }, (_, at): Ingredient => {
		const flour = at % 3 === 0;
		return {
			id: id<IngredientId>(`i${at}`),
			name: `ingredient ${at}`,
			kind: flour ? 'flour' : 'other',
			composition: { flour: flour ? 1 : 0, water: 0, fat: 0, sugar: 0, wholegrainOfFlour: 0 },
			yeastFreshEquivalent: 0,
			allergens: [],
			heatCapacity: { kilojoulesPerKilogramKelvin: 1.76 },
			density: null,
			pricePerKilogram: null,
			purity: { share: 1 },
			rolling: null,
			weighedOn: null,
			placeId: null,
			retired: false
		};
	});
	const of = (ingredient: Ingredient) => ({
		kind: 'ingredient' as const,
		ingredientId: ingredient.id
	});
	const build = (name: string, from: number): Preparation => ({
		id: id<PreparationId>(name),
		name,
		kind: 'build',
		lines: ingredients
			.slice(from, from + 12)
			.map((ingredient) => ({ material: of(ingredient), parts: 1 })),
		buildLoss: { share: 0 },
		takeBackGrams: 0
	});
	const builds = [build('first', 0), build('second', 12)];
	// Each build is a third flour: 24 % of it brings 8 % of the flour.
	const formula: Formula = {
		id: id<FormulaId>('large'),
		name: 'large',
		doughLoss: { share: 0 },
		deliveries: [],
		lines: [
			...builds.map((build) => ({
				material: { kind: 'preparation' as const, preparationId: build.id },
				percentOfFlour: 24,
				addition: 'start' as const
			})),
			...ingredients.slice(24).map((ingredient) => ({
				material: of(ingredient),
				percentOfFlour: 7,
				addition: 'start' as const
			}))
		]
	};
	const result = resolveFormula(formula, {
		causticMost: { share: 0.04 },
		ingredients: new Map(ingredients.map((ingredient) => [ingredient.id, ingredient])),
		preparations: new Map(builds.map((build) => [build.id, build]))
	});
	if (!result.ok) throw new Error(JSON.stringify(result.error));
	return result.value;
}

/** One edit of a 60-line formula with all that follows from it, against adding up its numbers once. */
async function formulaEdit(): Promise<Figure> {
	const resolved = largeFormula();
	const lines = resolved.final.lines;
	const line = lines[4];
	if (!line) throw new Error('the formula has lines');
	const pantry = {
		causticMost: { share: 0.04 },
		ingredients: new Map(
			stagesInOrder(resolved.final)
				.flatMap((stage) => stage.lines)
				.map((line) => [line.ingredient.id, line.ingredient])
		),
		preparations: new Map(
			resolved.final.stages.flatMap((stage) =>
				stage.preparation ? [[stage.preparation.id, stage.preparation]] : []
			)
		)
	};
	let percentOfFlour = 7;
	const work = () => {
		percentOfFlour = 15 - percentOfFlour;
		const { ingredient, addition } = line;
		const change = {
			preparationId: null,
			ingredient,
			addition,
			percentOfFlour,
			flour: 'balance' as const
		};
		const edited = editLine(resolved, change);
		if (!edited.ok) throw new Error(edited.error.kind);
		const after = resolveFormula(edited.value.formula, pantry);
		if (!after.ok) throw new Error(after.error.kind);
		return figuresOf(after.value);
	};
	const numbers = stagesInOrder(resolved.final).flatMap((stage) =>
		stage.lines.map((line) => line.percentOfFlour)
	);
	let kept = 0;
	const bare = () => {
		for (const number of numbers) kept += number;
	};
	const [ms, baselineMs] = await mediansInTurns(work, bare, 40, 20, 2000);
	if (kept === 0) throw new Error('the loop was optimised away');
	return {
		what: 'one edit of a 60-line formula',
		ms,
		baseline: 'its numbers added up once',
		baselineMs,
		committedRatio: 240
	};
}

/** Scaling 200 products of one formula, against the bare multiplications. */
async function scaling(): Promise<Figure> {
	const resolved = largeFormula();
	const products = Array.from({ length: 200 }, (_, at) => ({
		name: `product ${at}`,
		pieces: 10 + at,
		scaledWeight: { grams: 60 + at }
	}));
	const work = () => totalFlourFrom({ kind: 'pieces', products }, resolved);
	let kept = 0;
	const bare = () => {
		for (const product of products) kept += product.pieces * product.scaledWeight.grams;
	};
	const [ms, baselineMs] = await mediansInTurns(work, bare, 40, 20, 2000);
	if (kept === 0) throw new Error('the loop was optimised away');
	return {
		what: 'scaling 200 products',
		ms,
		baseline: 'the bare multiplications',
		baselineMs,
		committedRatio: 32
	};
}

const young = await testDatabase();
const old = await testDatabase();
try {
	const { input } = await loadBakeryDay(young.db, TOMORROW);
	const core = report('Core', [
		await orderChange(input),
		await ordersToIngredients(input),
		await dose(),
		await selfHeating(),
		await reforecast(),
		await plan(),
		await formulaEdit(),
		await scaling(),
		await readingABook()
	]);
	const pages = report(
		'Pages: server time against the bare queries',
		await measurePages(young.db, old.db)
	);
	const flat = await reportGrowth(PAGES);
	if (!core || !pages || !flat) process.exitCode = 1;
} finally {
	await young.drop();
	await old.drop();
}
