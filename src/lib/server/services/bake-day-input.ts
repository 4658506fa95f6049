import { createHash } from 'node:crypto';
import {
	asLearned,
	ovenAsLearned,
	timingOf,
	type LearnedInPlan,
	type BakeDayInput,
	type Begun,
	type MixTrace,
	type PlannedBuild,
	type PlannedDough,
	type PlannedMix,
	type PlannedPerson,
	type PlannedProduct,
	type TakenElsewhere
} from '../../core/planning/index.ts';
import {
	decksFor,
	loadSizeOn,
	piecesPerTray,
	takesOf,
	type OnShift,
	type VesselUse
} from '../../core/bakery/index.ts';
import { asksOfDeck, coreWantedAt } from '../../core/baking/index.ts';
import {
	figuresOf,
	mixedShare,
	speedsWanted,
	type ResolvedFormula,
	type Step
} from '../../core/formula/index.ts';
import { id, type BatchId, type DropId, type ProductId } from '../../core/identity.ts';
import { isByHand } from '../../core/mixing/index.ts';
import { goesOf, type Build, type Dough, type Mix } from '../../core/production/index.ts';
import { followedLog } from '../../core/ripening/index.ts';
import type { ProductRevision } from '../db/products.ts';
import type { LeadRow } from '../db/batches.ts';
import { batchAt, recipeOfMix, recipeOfPreparation, type BakeryDay } from './day-production.ts';

/** So many days before and after a date others have work beside its own (our default: the longest chain). */
export const DAYS_AROUND = 3;

/** Turns a date's production into what the planner needs, in an order that depends on nothing else. */
export function bakeDayInput(
	day: BakeryDay,
	leads: readonly LeadRow[],
	learned: readonly LearnedInPlan[],
	elsewhere: readonly TakenElsewhere[] = []
): BakeDayInput {
	const { production, book } = day;
	const ordered = new Set(day.orders.filter((line) => line.pieces > 0).map((line) => line.dropId));
	const made = new Set(
		production.doughs.flatMap((dough) =>
			dough.mixes.flatMap((mix) => mix.portions.map(({ productId }) => productId))
		)
	);
	const nameOf = new Map<string, string>(
		book.products.map(({ product }) => [product.id, product.name])
	);
	return {
		date: day.date,
		drops: day.drops
			.filter((drop) => ordered.has(drop.id))
			.map((drop) => ({
				id: id<DropId>(drop.id),
				name: drop.name,
				dueMs: drop.dueMs,
				readyByMs: drop.readyByMs,
				pickingMinutes: drop.pickingMinutes,
				loadingMinutes: drop.loadingMinutes,
				roadMinutes: drop.roadMinutes
			})),
		orders: day.orders
			.filter((line) => line.pieces > 0)
			.map(({ dropId, productId, pieces }) => ({
				dropId: id<DropId>(dropId),
				productId: id<ProductId>(productId),
				name: nameOf.get(productId) ?? '',
				pieces
			}))
			.sort((a, b) => (`${a.dropId} ${a.productId}` < `${b.dropId} ${b.productId}` ? -1 : 1)),
		bakery: {
			mixers: day.plannedMixers,
			ovens: day.ovens.map((oven) => ovenAsLearned(oven, learned)),
			...day.workplaces
		},
		people: day.roster && peopleOf(day.roster),
		elsewhere,
		learned,
		weighMinutes: day.bakery.weighMinutes,
		builds: production.builds.map((build) => plannedBuild(build, day, learned)),
		doughs: production.doughs.map((dough) => plannedDough(dough, day, leads, learned)),
		products: book.products
			.filter(({ product }) => made.has(product.id))
			.map((revision) => plannedProduct(revision, day, learned))
	};
}

function plannedProduct(
	{ product, ...revision }: ProductRevision,
	{ bakery, decks, vessels }: BakeryDay,
	learned: readonly LearnedInPlan[]
): PlannedProduct {
	const bakes = revision.steps.filter((step) => step.kind === 'bake');
	const needs = { ...asksOfDeck(bakes), heightCm: revision.heightCm };
	const load = loadSizeOn(decksFor(decks, needs), revision);
	const vessel = vessels.find((one) => one.id === revision.vesselId);
	return {
		id: product.id,
		revisionId: revision.revisionId,
		name: product.name,
		scaledGrams: revision.scaledGrams,
		steps: asLearned(revision.steps, product.id, learned).map((step) =>
			atAltitude(step, bakery.altitudeMetres)
		),
		piecesPerDeck: load.pieces,
		deckIds: load.deckIds,
		vessel: vessel
			? {
					id: vessel.id,
					name: vessel.name,
					owned: vessel.owned,
					holds: vessel.holds ?? 1,
					until: LEFT_AT_LOADING.has(vessel.use) ? 'loaded' : 'baked'
				}
			: null,
		// A tray stands where a tray stands; so does a board.
		piecesPerTray:
			vessel && (vessel.use === 'tray' || vessel.use === 'board')
				? (vessel.holds ?? 1)
				: piecesPerTray(revision.footprint),
		dividerId: revision.dividerId,
		shape: revision.shape,
		score: revision.score,
		scoreMm: revision.scoreMm
	};
}

/** A bake is done at a lower core where water boils lower. */
function atAltitude(step: Step, altitudeMetres: number): Step {
	return step.kind === 'bake'
		? { ...step, coreCelsius: coreWantedAt(step.coreCelsius, altitudeMetres) }
		: step;
}

/** What pieces are turned or slid out of when they are loaded. */
const LEFT_AT_LOADING: ReadonlySet<VesselUse> = new Set(['basket', 'board', 'rack', 'tub']);

/** Those who work, with the stretches between their breaks. */
function peopleOf(roster: readonly OnShift[]): readonly PlannedPerson[] {
	const found = new Map<string, PlannedPerson>();
	for (const { personId, name, skills, pacePercent, fromMs, toMs, breaks } of roster) {
		const known = found.get(personId);
		const there = [...(known?.there ?? [])];
		let begins = fromMs;
		for (const pause of [...breaks].sort((a, b) => a.fromMs - b.fromMs)) {
			if (pause.fromMs > begins) there.push({ fromMs: begins, toMs: pause.fromMs });
			begins = Math.max(begins, pause.toMs);
		}
		if (toMs > begins) there.push({ fromMs: begins, toMs });
		found.set(personId, { id: personId, name, skills, pacePercent, there });
	}
	return [...found.values()].sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** Of so much whole grain a dough is dark, and colours the light one after it (our default, in per cent of its flour). */
const DARK_FROM_PERCENT = 40;

/** What a dough leaves in a bowl that another may not have. */
function tracesOf(mix: Mix): readonly MixTrace[] {
	const { allergens, wholegrain } = figuresOf(mix.resolved);
	return [
		...allergens.map((name): MixTrace => ({ kind: 'allergen', name })),
		...(wholegrain >= DARK_FROM_PERCENT ? [{ kind: 'dark', name: 'dark' } as const] : [])
	];
}

/**
 * The mixers that take so much of a dough and have the speeds it is mixed at; where none does, those that are not overfilled
 * least, and those with fewer speeds.
 */
function mixersTaking(
	grossGrams: number,
	dough: Pick<ResolvedFormula, 'final'>,
	steps: readonly Step[],
	day: BakeryDay
): readonly string[] {
	const grams = grossGrams * mixedShare(dough.final);
	const water = figuresOf(dough).effectiveHydration;
	const takes = day.mixers.map((mixer) => ({ id: mixer.id, ...takesOf(mixer, water) }));
	const fitting = takes.filter(
		(one) => grams >= one.leastGrams - 1e-6 && grams <= one.mostGrams + 1e-6
	);
	const most = Math.max(0, ...takes.map((one) => one.mostGrams));
	const taking = (fitting.length > 0 ? fitting : takes.filter((one) => one.mostGrams === most)).map(
		(one) => one.id
	);
	const wanted = speedsWanted(steps);
	const fast = taking.filter((mixerId) =>
		day.plannedMixers.some(({ id, speeds }) => id === mixerId && speeds >= wanted)
	);
	return fast.length > 0 ? fast : taking;
}

function plannedBuild(
	build: Build,
	day: BakeryDay,
	learned: readonly LearnedInPlan[]
): PlannedBuild {
	const { preparation, uses, ordinal } = build;
	const recipe = recipeOfPreparation(day, build);
	const byProduct = uses.flatMap((use) => (use.by.kind === 'product' ? [use.by.productId] : []));
	const byMix = uses.flatMap((use) =>
		use.by.kind === 'mix' ? [{ formulaId: use.by.formulaId, ordinal: use.by.ordinal }] : []
	);
	const byDough = byMix.map(({ formulaId }) => formulaId);
	// Each of several batches that were wanted so has its own takers.
	const isOneOfSeveral = (day.batchesWanted.get(preparation.id)?.batches ?? 1) > 1;
	const isDough = preparation.kind === 'dough';
	const goes = isDough ? goesOf(build.gross.value, day.mixerMostGrams) : 1;
	const steps = asLearned(recipe?.steps ?? [], preparation.id, learned).map((step) =>
		inGoes(step, goes)
	);
	return {
		preparationId: preparation.id,
		ordinal,
		revisionId: recipe?.revisionId ?? '',
		begun: begunOf(build.made, day),
		name: preparation.name,
		kind: preparation.kind,
		grams: build.gross.value,
		steps,
		mixerIds: isDough
			? mixersTaking(build.gross.value / goes, { final: build.stage }, steps, day)
			: [],
		takenByBuilds: uses.flatMap((use) => (use.by.kind === 'build' ? [use.by.preparationId] : [])),
		takenByDoughs: [...new Set(byDough)],
		...(isOneOfSeveral ? { takenByMixes: byMix } : {}),
		takenByProducts: byProduct
	};
}

/** What is mixed in several goes holds its mixer for all of them. */
function inGoes(step: Step, goes: number): Step {
	return step.kind === 'hands-on' && step.activity === 'mix'
		? { ...step, fixedMinutes: step.fixedMinutes * goes }
		: step;
}

function plannedDough(
	dough: Dough,
	day: BakeryDay,
	leads: readonly LeadRow[],
	learned: readonly LearnedInPlan[]
): PlannedDough {
	const { formula } = dough.resolved;
	const roleOf = (productId: string) =>
		dough.products.find(({ product }) => product.id === productId)?.product.role ?? 'carries';
	const leadOf = ({ ordinal }: Mix) => {
		const batch = batchAt(day, { kind: 'mix', formulaId: formula.id, ordinal });
		return leads.find((lead) => lead.batchId === batch?.id)?.minutes ?? 0;
	};
	return {
		formulaId: formula.id,
		name: formula.name,
		mixes: dough.mixes.flatMap((mix): PlannedMix[] => {
			const recipe = recipeOfMix(day, mix);
			if (!recipe) return [];
			return [
				{
					ordinal: mix.ordinal,
					revisionId: recipe.revisionId,
					steps: asLearned(recipe.steps, formula.id, learned),
					begun: begunOf(mix.made, day),
					count: mix.count,
					grams: mix.dough.value,
					mixerIds: isByHand(recipe.steps)
						? []
						: mixersTaking(mix.dough.value, mix.resolved, recipe.steps, day),
					leaves: tracesOf(mix),
					leadMinutes: leadOf(mix),
					portions: mix.portions.map((portion) => ({
						productId: portion.productId,
						role: roleOf(portion.productId),
						pieces: portion.pieces,
						dropIds: portion.drops.map((drop) => drop.dropId)
					}))
				}
			];
		})
	};
}

/** Where a batch stands in time, once it came out of the mixer; null until then. */
function begunOf(batchId: BatchId | null, day: BakeryDay): Begun | null {
	const { mixed, endedAtMs } = followedLog(batchId === null ? [] : (day.log.get(batchId) ?? []));
	return mixed ? { mixedAtMs: mixed.atMs, endedAtMs } : null;
}

/**
 * Says which input a plan was made from, as far as times follow from it. What other dates have is no part of it: they are
 * planned around what stands.
 */
export function fingerprintOf(input: BakeDayInput): string {
	return hashOf(timingOf(input));
}

/** The same with what other dates have: a plan is accepted beside those it was made beside. */
export function fingerprintBesideOthers(input: BakeDayInput): string {
	return hashOf(timingOf(input) + JSON.stringify(input.elsewhere));
}

function hashOf(text: string): string {
	return createHash('sha256').update(text).digest('hex').slice(0, 32);
}
