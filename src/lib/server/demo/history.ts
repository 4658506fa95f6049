import type { WaterInputView } from '../../contracts/views.ts';
import {
	doughStory,
	heatBalanceOf,
	waterOfMix,
	type RipeningStep
} from '../../core/bake-day/index.ts';
import { chanceFrom, normalFrom } from '../../core/chance.ts';
import { expectedDough, frictionOf, frictionRevealed } from '../../core/heat/index.ts';
import {
	addDays,
	instantOf,
	wallTimeOf,
	type BakeDate,
	type WallTime
} from '../../core/time/index.ts';
import type { Tx } from '../db/client.ts';
import type { DoughTemperatureRow } from '../db/dough-temperatures.ts';
import { loadBakeryDay, type BakeryDay } from '../services/day-production.ts';
import { spreadOfReading } from '../services/learned-friction.ts';
import { bookOf, mixOfDay, revisionOf } from '../services/mix-of-day.ts';
import { bulkStep } from '../services/ripening-of-day.ts';
import { readWaterInputs } from '../services/temperatures-now.ts';
import { demoId } from './demo-id.ts';
import { DEMO_ZONE } from './demo-zone.ts';
import { seasonsBefore, type SeasonDay } from './seasons.ts';

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
	{ formula: 'Harbour dough', friction: 1.16, tub: 1.2, clock: 1.08, every: 3, nights: 60 },
	{ formula: 'Stick dough', friction: 1.05, tub: 1.15, clock: 0.97, every: 4, nights: 48 },
	{ formula: 'School bun dough', friction: 1.22, tub: 1, clock: 1, every: 6, nights: 48 }
];
/** The night on which somebody read the bowl instead of the dough. */
const WILD_NIGHT = 21;
const THERMOMETER_KELVINS = 0.25;

/** A year of temperatures, and the mixes that were measured in the weeks before the demo begins. */
export async function loadHistory(tx: Tx, nowMs: number, commandId: string): Promise<void> {
	const today = wallTimeOf({ epochMs: nowMs }, DEMO_ZONE).date;
	const seasons = seasonsBefore(today, YEAR);
	await loadSeasons(tx, seasons);
	const day = await loadBakeryDay(tx, addDays(today, 1));
	for (const truth of TRUTHS) await loadMeasuredMixes(tx, truth, day, seasons, commandId);
}

async function loadSeasons(tx: Tx, seasons: readonly SeasonDay[]): Promise<void> {
	await tx
		.insertInto('temperature_day')
		.values(
			seasons.flatMap((one) =>
				(['room', 'flour', 'tap'] as const).map((quantity) => ({
					quantity,
					day: one.day,
					readings: 24,
					sum_celsius: 24 * one[quantity],
					least_celsius: one[quantity] - (quantity === 'room' ? 1.8 : 0.6),
					most_celsius: one[quantity] + (quantity === 'room' ? 2.2 : 0.6)
				}))
			)
		)
		.execute();
}

async function loadMeasuredMixes(
	tx: Tx,
	truth: Truth,
	day: BakeryDay,
	seasons: readonly SeasonDay[],
	command_id: string
): Promise<void> {
	const formula_id = demoId('formula', truth.formula);
	const dough = day.production.doughs.find((one) => one.resolved.formula.id === formula_id);
	const mix = dough?.mixes[0];
	const revision = revisionOf(day, formula_id);
	if (!dough || !mix || !revision) return;
	const chance = chanceFrom(SEED + truth.nights + truth.every);
	const step = bulkStep(revision.steps);
	const measured: DoughTemperatureRow[] = [];
	for (let back = truth.nights; back > 0; back -= truth.every) {
		const season = seasons.at(-back);
		if (!season) continue;
		const date = season.day;
		const mixedAtMs = instantOf(addDays(date, -1), '22:20' as WallTime, DEMO_ZONE).epochMs;
		const inputs = inputsOf(await readWaterInputs(tx, day, mixedAtMs), season, mixedAtMs);
		const knowledge = {
			day,
			inputs,
			readings: new Map([[formula_id, [...measured].reverse()]]),
			checks: [],
			nowMs: mixedAtMs
		};
		const found = mixOfDay(knowledge, dough, mix, revision);
		const balance = heatBalanceOf(found.input);
		const water = waterOfMix({ ...found.input, school: 'heat-balance' });
		if (!balance || !water) continue;
		const book = bookOf(revision);
		const done = { program: book.program, fill: found.fillShare };
		const poured = {
			temperature: { celsius: round(water.order.temperature.celsius) },
			source: { kind: 'bakery' as const }
		};
		const work = frictionOf(book, done, truth.friction * (1 + 0.03 * normalFrom(chance)));
		const honest = expectedDough({ ...balance, friction: { ...balance.friction, work } }, poured);
		const wild = truth.formula === 'Harbour dough' && back === WILD_NIGHT;
		const noise = wild ? 5.5 : THERMOMETER_KELVINS * normalFrom(chance);
		const dough_celsius = round(honest.value + noise);
		const revealed = frictionRevealed(
			balance,
			{ temperature: { celsius: dough_celsius }, source: { kind: 'bakery' } },
			poured.temperature
		).value;
		const spread_kj_per_kg = spreadOfReading(
			balance,
			poured.temperature.celsius,
			'core-probe',
			found.heatCapacity,
			mixedAtMs
		);
		const id = demoId('measured dough', `${truth.formula} ${date}`);
		await tx
			.insertInto('dough_temperature')
			.values({
				id,
				command_id,
				bake_date: date,
				formula_id,
				ordinal: 1,
				dough_celsius,
				target_celsius: revision.targetCelsius,
				water_celsius: poured.temperature.celsius,
				instrument: 'core-probe',
				friction_kj_per_kg: revealed,
				dough_kj_per_kg_k: found.heatCapacity,
				mixer_id: found.mixer?.id ?? null,
				slow_min: null,
				fast_min: null,
				fill_share: found.fillShare,
				spread_kj_per_kg,
				inputs: JSON.stringify(balance),
				occurred_at: new Date(mixedAtMs)
			})
			.execute();
		measured.push({
			id,
			formulaId: formula_id,
			date,
			ordinal: 1,
			doughCelsius: dough_celsius,
			targetCelsius: revision.targetCelsius,
			waterCelsius: poured.temperature.celsius,
			instrument: 'core-probe',
			frictionKilojoulesPerKilogram: revealed,
			mixerId: found.mixer?.id ?? null,
			program: null,
			fillShare: found.fillShare,
			spreadKilojoulesPerKilogram: spread_kj_per_kg,
			ignored: false,
			occurredAtMs: mixedAtMs
		});
		if (step && truth.formula !== 'School bun dough' && !wild)
			await loadWatch(
				tx,
				{ truth, step, date, formula_id, command_id, mixedAtMs },
				honest.value,
				season.room,
				() => normalFrom(chance)
			);
	}
}

/** A check an hour and a half into the bulk, and what was seen when it was divided. */
async function loadWatch(
	tx: Tx,
	of: {
		readonly truth: Truth;
		readonly step: RipeningStep;
		readonly date: BakeDate;
		readonly formula_id: string;
		readonly command_id: string;
		readonly mixedAtMs: number;
	},
	startCelsius: number,
	roomCelsius: number,
	noise: () => number
): Promise<void> {
	const { truth, step, date, formula_id, command_id, mixedAtMs } = of;
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
	const common = { command_id, bake_date: date, formula_id, ordinal: 1 };
	const checked = 0.55 * step.clock.ripeMinutes;
	if (Math.abs(startCelsius - roomCelsius) > 1.6)
		await tx
			.insertInto('dough_check')
			.values({
				...common,
				id: demoId('dough check', `${truth.formula} ${date}`),
				stage: 'dough',
				celsius: round(storyAt(checked).celsius + 0.15 * noise()),
				instrument: 'core-probe',
				place: 'room',
				ambient_celsius: round(roomCelsius),
				occurred_at: new Date(mixedAtMs + checked * 60_000)
			})
			.execute();
	// It is judged when it is ripe by its own clock, give or take the baker's eye.
	let minutes = 20;
	const wanted = step.clock.ripeMinutes * truth.clock * (1 + 0.04 * noise());
	while (storyAt(minutes).dose < wanted && minutes < 1200) minutes += 5;
	await tx
		.insertInto('readiness_judgement')
		.values({
			...common,
			id: demoId('judgement', `${truth.formula} ${date}`),
			sightings: JSON.stringify([
				{ kind: 'rise', seen: 'to-the-mark' },
				{ kind: 'poke', seen: 'half-springs-back' }
			]),
			dose_min: storyAt(minutes).dose,
			book_ripe_min: step.clock.ripeMinutes,
			seen_share: 1,
			seen_spread: 0.06,
			verdict: 'ready',
			decision: 'go-on',
			occurred_at: new Date(mixedAtMs + minutes * 60_000)
		})
		.execute();
}

/** The temperatures of a night, as if each had been measured. */
function inputsOf(
	inputs: readonly WaterInputView[],
	season: SeasonDay,
	atMs: number
): readonly WaterInputView[] {
	return inputs.map((one) => ({
		...one,
		probe: null,
		reading: {
			id: one.name,
			celsius: one.quantity === 'preferment' ? one.assumedCelsius : round(season[one.quantity]),
			instrument: 'typed',
			occurredAtMs: atMs
		}
	}));
}

function round(celsius: number): number {
	return Math.round(celsius * 10) / 10;
}
