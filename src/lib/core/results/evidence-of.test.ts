import assert from 'node:assert/strict';
import { test } from 'node:test';
import { steamKey, workKey, workStates, type WorkEntry } from '../bench/index.ts';
import { tap } from '../bench/taps.fixture.ts';
import { id, type FormulaId, type ProductId } from '../identity.ts';
import { DAY, planned } from '../planning/harbour-day.fixture.ts';
import { batchKey, type DayTask } from '../planning/index.ts';
import { causesOf, NO_EVIDENCE } from '../tracing/index.ts';
import {
	evidenceOf,
	proofStanding,
	restStanding,
	type MixFacts,
	type PortionRef,
	type ResultEntry
} from './index.ts';

const MINUTE = 60_000;
const { plan } = planned(DAY);
const portion: PortionRef = {
	formulaId: id<FormulaId>('loaf'),
	ordinal: 1,
	productId: id<ProductId>('round')
};
const chain = plan.tasks.filter(
	({ batch }) => batch.kind !== 'preparation' && batch.ordinal === 1 && batch.formulaId === 'loaf'
);
const facts: MixFacts = {
	mix: batchKey({ kind: 'mix', ...portion }),
	doughOffKelvins: 5,
	judged: 'nearly',
	saltShare: 1,
	waterShare: null,
	yeastShare: null,
	newFlourLot: false
};

/** The night tapped as it was planned, each work moved by what is asked. */
function tapped(
	moved: (what: string, kind: string) => number,
	celsius: Readonly<Record<string, number>> = {}
) {
	const entries: WorkEntry[] = [];
	for (const task of chain) {
		for (const [index, { what, fromMs, toMs }] of task.attended.entries()) {
			const key = workKey(task.id, what, index);
			const by = moved(what, task.batch.kind) * MINUTE;
			entries.push(tap(key, 'begun', fromMs + by));
			entries.push({ ...tap(key, 'ended', toMs + by), celsius: celsius[what] ?? null });
			if (what === 'load') entries.push(tap(steamKey(task.id), 'ended', toMs + by + MINUTE));
		}
	}
	return entries;
}
const evidence = (
	entries: readonly WorkEntry[],
	known: MixFacts | null = facts,
	results: readonly ResultEntry[] = []
) => evidenceOf(portion, plan, workStates(entries), known, results);
const near = (actual: number | null, wanted: number) =>
	assert.ok(actual !== null && Math.abs(actual - wanted) < 0.02, `${actual} is not ${wanted}`);

test('of a night that nobody tapped nothing is evidence but what was measured', () => {
	assert.deepEqual(evidence([], null), NO_EVIDENCE);
	const measured = evidence([]);
	assert.deepEqual(
		[measured.doughOffKelvins, measured.judged, measured.saltShare, measured.steam],
		[5, 'early', 1, null]
	);
});

test('a night as planned shows waits as planned, steam given and a bake of its time', () => {
	const bake = chain.find(({ step }) => step.kind === 'bake');
	assert.ok(bake?.step.kind === 'bake');
	const { loadCelsius, coreCelsius } = bake.step;
	const as = evidence(tapped(() => 0, { load: loadCelsius - 30, draw: coreCelsius + 1 }));
	near(as.bakeShare, 1);
	near(as.stoneOffKelvins, -30);
	near(as.coreOffKelvins, 1);
	assert.equal(as.steam, 'given');
	assert.ok(as.bulkShare !== null && as.bulkShare > 0.7 && as.bulkShare < 1.3);
	assert.equal(causesOf('pale', as)[0]?.cause, 'stone-cool');
});

test('loaded 60 minutes late its proof is that much longer, and flat bread is put to it', () => {
	const planned = evidence(tapped(() => 0)).proofShare;
	const late = evidence(tapped((what) => (what === 'load' || what === 'draw' ? 60 : 0))).proofShare;
	assert.ok(planned !== null && late !== null && late > planned + 0.3, `${planned} ${late}`);
	const cool = { ...facts, doughOffKelvins: 0, judged: null };
	const entries = tapped((what) => (what === 'load' || what === 'draw' ? 60 : 0));
	assert.equal(causesOf('flat', evidence(entries, cool))[0]?.cause, 'proof-long');
});

test('steam that was left out, forgotten or late is told apart', () => {
	const all = tapped(() => 0);
	const isSteam = ({ work }: WorkEntry) => work.endsWith(' steam');
	const without = all.filter((entry) => !isSteam(entry));
	assert.equal(evidence(without).steam, 'not-told');
	const late = all.map((entry) =>
		isSteam(entry) ? { ...entry, atMs: entry.atMs + 9 * MINUTE } : entry
	);
	assert.equal(evidence(late).steam, 'late');
	const left = all.map((entry) =>
		isSteam(entry) ? ({ ...entry, act: 'left-out' } as const) : entry
	);
	assert.equal(evidence(left).steam, 'left-out');
	assert.equal(causesOf('dull-crust', evidence(left))[0]?.cause, 'no-steam');
});

test('pieces that were looked at in proof are judged by that, whatever was seen of their dough before', () => {
	const judged: ResultEntry = {
		id: 'looked at',
		portion,
		told: {
			kind: 'judged',
			at: 'proof',
			bookFactor: 1,
			clock: { share: 1.35, earlyShare: 0.7, lateShare: 1.4 },
			sightings: [
				{ kind: 'poke', seen: 'stays' },
				{ kind: 'dome', seen: 'fallen' }
			],
			decision: 'load'
		},
		by: 'Ilo',
		atMs: 5_000
	};
	assert.equal(evidence([], facts, [judged]).judged, 'late');
	const other = { ...judged, portion: { ...portion, ordinal: 2 } };
	assert.equal(evidence([], facts, [other]).judged, 'early', 'by its dough');
	assert.equal(
		causesOf('flat', evidence([], { ...facts, doughOffKelvins: 0 }, [judged]))[0]?.cause,
		'proof-long'
	);
});

const looked = (at: 'rest' | 'proof', seen: 'stands' | 'runs', atMs: number): ResultEntry => ({
	id: `${at} ${atMs}`,
	portion,
	told: {
		kind: 'judged',
		at,
		bookFactor: 1,
		clock: { share: 1, earlyShare: 0.75, lateShare: 2 },
		sightings: [{ kind: 'spread', seen }],
		decision: 'shape'
	},
	by: 'Ilo',
	atMs
});
const drawn = (sound: 'dull' | 'hollow' | null, atMs: number): ResultEntry => ({
	id: `drawn ${atMs}`,
	portion,
	told: { kind: 'drawn', browning: 'golden', sound },
	by: 'Ilo',
	atMs
});

test('what ran on the bench is a weak dough, and says nothing of its proof', () => {
	const found = evidence([], null, [looked('rest', 'stands', 1), looked('rest', 'runs', 2)]);
	assert.equal(found.spread, 'runs', 'as it was seen last');
	assert.equal(found.judged, null);
	assert.equal(causesOf('flat', found)[0]?.cause, 'weak-dough');
	assert.equal(evidence([], null, [looked('proof', 'runs', 1)]).spread, null);
});

test('a dull knock is a bake too short; a colour alone says nothing of the sound', () => {
	const found = evidence([], null, [drawn('dull', 1), drawn(null, 2)]);
	assert.equal(found.sound, 'dull');
	assert.equal(causesOf('gummy', found)[0]?.cause, 'bake-short');
	assert.equal(evidence([], null, [drawn(null, 2)]).sound, null);
});

test('a rest on the bench stands by the clock from when it was really pre-shaped', () => {
	const divide = chain.find(({ batch }) => batch.kind === 'portion');
	const wait = chain.find(({ step }) => step.kind === 'wait' && step.activity === 'proof');
	assert.ok(divide?.step.kind === 'hands-on' && wait?.step.kind === 'wait', 'it is divided');
	const from = divide.endMs;
	const rest: DayTask = {
		...wait,
		id: 'resting',
		step: { ...wait.step, activity: 'rest' },
		startMs: from,
		endMs: from + 20 * MINUTE,
		attended: []
	};
	const shape: DayTask = {
		...divide,
		id: 'shaping',
		step: { ...divide.step, activity: 'shape' },
		startMs: rest.endMs,
		endMs: rest.endMs + 10 * MINUTE,
		attended: []
	};
	const tasks = [divide, rest, shape];
	const standing = (entries: readonly WorkEntry[], nowMs: number) =>
		restStanding(portion, { tasks }, shape.id, workStates(entries), nowMs)?.share ?? null;
	near(standing([], from + 15 * MINUTE), 0.75);
	const late = tapped((what, kind) => (what === 'do' && kind === 'portion' ? 5 : 0));
	near(standing(late, from + 15 * MINUTE), 0.5);
	assert.equal(standing([], from - MINUTE), null, 'not begun');
	assert.equal(restStanding(portion, { tasks }, rest.id, workStates([]), rest.endMs), null);
});

test('a proof stands by the clock from when it was really shaped', () => {
	const proof = chain.find(({ step }) => step.kind === 'wait' && step.activity === 'proof');
	const load = chain.find(({ batch }) => batch.kind === 'load');
	assert.ok(proof?.marks && load, 'the loaf is proofed');
	const ripe = proof.marks.ripeMs - proof.startMs;
	const standing = (entries: readonly WorkEntry[], nowMs: number) =>
		proofStanding(portion, plan, batchKey(load.batch), workStates(entries), nowMs);
	const half = standing([], proof.startMs + ripe / 2);
	near(half?.share ?? null, 0.5);
	assert.ok(half && half.earlyShare < 1 && half.lateShare > 1);
	assert.equal(standing([], proof.startMs - MINUTE), null, 'not begun');
	const late = standing(
		tapped((what, kind) => (what === 'do' && kind === 'portion' ? 30 : 0)),
		proof.startMs + 30 * MINUTE + ripe / 2
	);
	near(late?.share ?? null, 0.5);
});
