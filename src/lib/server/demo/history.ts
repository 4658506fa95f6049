import type { WaterInputView } from '../../contracts/water-views.ts';
import { chanceFrom, normalFrom } from '../../core/chance.ts';
import {
	expectedDough,
	frictionOf,
	frictionRevealed,
	THERMOMETER_KELVINS
} from '../../core/heat/index.ts';
import { id, type BatchId, type FormulaId } from '../../core/identity.ts';
import { spreadOfReading, type MeasuredMix } from '../../core/learning/index.ts';
import {
	bookOf,
	heatBalanceOf,
	mixOfDay,
	schoolsOfMix,
	waterOfMix
} from '../../core/mixing/index.ts';
import { doughStory, ripeningStep, type RipeningStep } from '../../core/ripening/index.ts';
import {
	addDays,
	instantOf,
	wallTimeOf,
	type BakeDate,
	type WallTime
} from '../../core/time/index.ts';
import { insertBatches, setBatchStates } from '../db/batches.ts';
import { insertEntry, schoolColumns, type EntryDetail } from '../db/batch-log-entries.ts';
import type { Tx } from '../db/client.ts';
import { insertTemperatureDays } from '../db/devices.ts';
import { loadBakeryDay, recipeOfMix, type BakeryDay } from '../services/day-production.ts';
import { readWaterInputs } from '../services/temperatures-now.ts';
import { demoId } from './demo-id.ts';
import { DEMO_ZONE } from './demo-zone.ts';
import { seasonsBefore, type SeasonDay } from './seasons.ts';

/** Mixes were measured over so many nights before the demo begins. */
export const NIGHTS_OF_HISTORY = 60;

const YEAR = 380;
const SEED = 77_310;

/** What is true of the made-up bakehouse and has to be found out: friction, tub and clock against the book. */
interface Truth {
	readonly formula: string;
	readonly friction: number;
	readonly tub: number;
	readonly clock: number;
	/** Measured on every so many nights, over so many nights back. */
	readonly every: number;
	readonly nights: number;
}
const TRUTHS: readonly Truth[] = [
	{
		formula: 'Harbour dough',
		friction: 1.16,
		tub: 1.2,
		clock: 1.08,
		every: 3,
		nights: NIGHTS_OF_HISTORY
	},
	{ formula: 'Stick dough', friction: 1.05, tub: 1.15, clock: 0.97, every: 4, nights: 48 },
	{ formula: 'School bun dough', friction: 1.22, tub: 1, clock: 1, every: 6, nights: 48 }
];
/** The night on which somebody read the bowl instead of the dough. */
const WILD_NIGHT = 21;
/** What the bakehouse measures with. */
const INSTRUMENT = 'core-probe';

/** A year of temperatures, and the mixes that were measured in the weeks before the demo begins. */
export async function loadHistory(tx: Tx, nowMs: number, commandId: string): Promise<void> {
	const today = wallTimeOf({ epochMs: nowMs }, DEMO_ZONE).date;
	const seasons = seasonsBefore(today, YEAR);
	await insertTemperatureDays(
		tx,
		seasons.flatMap((season) =>
			(['room', 'flour', 'tap'] as const).map((quantity) => ({
				quantity,
				day: season.day,
				readings: 24,
				sum_celsius: 24 * season[quantity],
				least_celsius: season[quantity] - (quantity === 'room' ? 1.8 : 0.6),
				most_celsius: season[quantity] + (quantity === 'room' ? 2.2 : 0.6)
			}))
		)
	);
	const day = await loadBakeryDay(tx, addDays(today, 1));
	for (const truth of TRUTHS) await loadMeasuredMixes(tx, truth, day, seasons, commandId);
}

async function loadMeasuredMixes(
	tx: Tx,
	truth: Truth,
	day: BakeryDay,
	seasons: readonly SeasonDay[],
	commandId: string
): Promise<void> {
	const formulaId = id<FormulaId>(demoId('formula', truth.formula));
	const dough = day.production.doughs.find((dough) => dough.resolved.formula.id === formulaId);
	const mix = dough?.mixes[0];
	const recipe = mix && recipeOfMix(day, mix);
	if (!mix || !recipe) return;
	const chance = chanceFrom(SEED + truth.nights + truth.every);
	const step = ripeningStep(recipe.steps);
	const measured: MeasuredMix[] = [];
	for (let back = truth.nights; back > 0; back -= truth.every) {
		const season = seasons.at(-back);
		if (!season) continue;
		const date = season.day;
		const mixedAtMs = instantOf(addDays(date, -1), '22:20' as WallTime, DEMO_ZONE).epochMs;
		const found = mixOfDay(mix, recipe, {
			supply: day.bakery,
			mixers: day.mixers,
			handBowlKilojoulesPerKelvin: day.handMixing?.bowlKilojoulesPerKelvin ?? 0,
			temperatures: inputsOf(await readWaterInputs(tx, day, mixedAtMs), season, mixedAtMs),
			own: [...measured].reverse(),
			others: [],
			autolysed: null,
			typedBaseCelsius: null,
			picked: [],
			nowMs: mixedAtMs
		});
		const balance = heatBalanceOf(found.input);
		const water = waterOfMix({ ...found.input, school: 'heat-balance' });
		if (!balance || !water) continue;
		const book = bookOf(recipe);
		const done = { program: book.program, fill: found.fillShare };
		const poured = {
			temperature: { celsius: round(water.order.temperature.celsius) },
			source: { kind: 'bakery' as const }
		};
		const work = frictionOf(book, done, truth.friction * (1 + 0.03 * normalFrom(chance)));
		const honest = expectedDough({ ...balance, friction: { ...balance.friction, work } }, poured);
		const wild = truth.formula === 'Harbour dough' && back === WILD_NIGHT;
		const noise = wild ? 5.5 : THERMOMETER_KELVINS[INSTRUMENT] * normalFrom(chance);
		const celsius = round(honest.value + noise);
		const revealed = frictionRevealed(
			balance,
			{ temperature: { celsius }, source: { kind: 'bakery' } },
			poured.temperature
		).value;
		const spread = spreadOfReading(
			balance,
			poured.temperature.celsius,
			INSTRUMENT,
			found.heatCapacity,
			mixedAtMs
		);
		const schools = schoolsOfMix(found.input, { celsius }, poured.temperature);
		const [batchId] = await insertBatches(tx, [
			{
				kind: 'mix',
				date,
				ordinal: 1,
				formulaId,
				revisionId: recipe.revisionId,
				grams: mix.dough.value
			}
		]);
		if (!batchId) continue;
		const log: NightLog = { tx, batchId, formulaId, commandId, mixedAtMs };
		const entryId = demoId('measured dough', `${truth.formula} ${date}`);
		await write(log, entryId, mixedAtMs, {
			kind: 'measured',
			celsius,
			target_celsius: recipe.targetCelsius,
			instrument: INSTRUMENT,
			water_celsius: poured.temperature.celsius,
			friction_kj_per_kg: revealed,
			dough_kj_per_kg_k: found.heatCapacity,
			mixer_id: found.mixer?.id ?? null,
			slow_min: null,
			fast_min: null,
			fill_share: found.fillShare,
			spread_kj_per_kg: spread,
			...schoolColumns(schools),
			inputs: JSON.stringify(balance)
		});
		measured.push({
			id: entryId,
			batchId,
			date,
			doughCelsius: celsius,
			targetCelsius: recipe.targetCelsius,
			waterCelsius: poured.temperature.celsius,
			instrument: INSTRUMENT,
			frictionKilojoulesPerKilogram: revealed,
			mixerId: found.mixer?.id ?? null,
			program: null,
			fillShare: found.fillShare,
			spreadKilojoulesPerKilogram: spread,
			schools,
			ignored: false,
			occurredAtMs: mixedAtMs
		});
		if (step && truth.formula !== 'School bun dough' && !wild)
			await writeWatch(log, truth, step, date, honest.value, season.room, () => normalFrom(chance));
		else await setBatchStates(tx, [batchId], 'begun');
	}
}

/** What one night's mix is written down with. */
interface NightLog {
	readonly tx: Tx;
	readonly batchId: BatchId;
	readonly formulaId: FormulaId;
	readonly commandId: string;
	readonly mixedAtMs: number;
}

function write(
	{ tx, batchId, formulaId, commandId }: NightLog,
	entryId: string,
	occurredAtMs: number,
	detail: EntryDetail
): Promise<void> {
	return insertEntry(tx, {
		id: entryId,
		batchId,
		recipeId: formulaId,
		commandId,
		correctsId: null,
		occurredAtMs,
		detail
	});
}

/** A check an hour and a half into the bulk, and what was seen when it was divided. */
async function writeWatch(
	log: NightLog,
	truth: Truth,
	step: RipeningStep,
	date: BakeDate,
	startCelsius: number,
	roomCelsius: number,
	noise: () => number
): Promise<void> {
	const { mixedAtMs } = log;
	const really: RipeningStep = {
		...step,
		legs: step.legs.map((leg) => ({
			...leg,
			ambientCelsius: roomCelsius,
			timeConstantMinutes: leg.timeConstantMinutes * truth.tub
		}))
	};
	const storyAt = (minutes: number) =>
		doughStory({
			step: really,
			clockFactor: 1,
			startMs: mixedAtMs,
			startCelsius,
			events: [],
			air: {},
			nowMs: mixedAtMs + minutes * 60_000
		});
	const checked = 0.55 * step.clock.ripeMinutes;
	if (Math.abs(startCelsius - roomCelsius) > 1.6)
		await write(
			log,
			demoId('dough check', `${truth.formula} ${date}`),
			mixedAtMs + checked * 60_000,
			{
				kind: 'checked',
				stage: 'dough',
				celsius: round(storyAt(checked).celsius + 0.15 * noise()),
				instrument: INSTRUMENT,
				place: 'room',
				ambient_celsius: round(roomCelsius)
			}
		);
	// It is judged when it is ripe by its own clock, give or take the baker's eye.
	let minutes = 20;
	const wanted = step.clock.ripeMinutes * truth.clock * (1 + 0.04 * noise());
	while (storyAt(minutes).dose < wanted && minutes < 1200) minutes += 5;
	const endedAtMs = mixedAtMs + minutes * 60_000;
	await write(log, demoId('judgement', `${truth.formula} ${date}`), endedAtMs, {
		kind: 'judged',
		sightings: JSON.stringify([
			{ kind: 'rise', seen: 'to-the-mark' },
			{ kind: 'poke', seen: 'half-springs-back' }
		]),
		dose_min: storyAt(minutes).dose,
		book_ripe_min: step.clock.ripeMinutes,
		seen_share: 1,
		seen_spread: 0.06,
		verdict: 'ready',
		decision: 'go-on'
	});
	await write(log, demoId('divided', `${truth.formula} ${date}`), endedAtMs, { kind: 'ended' });
	await setBatchStates(log.tx, [log.batchId], 'ended');
}

/** The temperatures of a night, as if each had been measured. */
function inputsOf(
	inputs: readonly WaterInputView[],
	season: SeasonDay,
	atMs: number
): readonly WaterInputView[] {
	return inputs.map((input) => ({
		...input,
		probe: null,
		reading: {
			id: input.name,
			celsius: round(truthOf(input, season)),
			instrument: 'typed',
			occurredAtMs: atMs
		}
	}));
}

function round(celsius: number): number {
	return Math.round(celsius * 10) / 10;
}

/** Places keep to what they are set to, and pre-ferments stood as it is forecast; the rest went with the season. */
function truthOf({ quantity, unread }: WaterInputView, season: SeasonDay): number {
	return quantity === 'preferment' || quantity === 'place' ? unread.celsius : season[quantity];
}
