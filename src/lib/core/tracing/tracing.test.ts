import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { FAULTS } from '../results/index.ts';
import {
	CAUSES,
	CAUSES_OF,
	causesOf,
	followed,
	lotsOfUses,
	NO_EVIDENCE,
	recallOf,
	type Arrival,
	type Evidence,
	type LotOfUse,
	type Use
} from './index.ts';

const use = (batchId: string, atMs: number, grams = 10, ...told: string[]): Use => ({
	batchId,
	grams,
	atMs,
	told
});
const came = (lot: string, atMs: number, grams = 50): Arrival => ({ lot, grams, atMs });
const counted = (grams: number, atMs: number) => ({ kind: 'counted', grams, atMs }) as const;
const lotsOf = (found: ReadonlyMap<string, readonly LotOfUse[]>, batch: string) =>
	(found.get(batch) ?? []).map(({ lot, known }) => `${lot} ${known}`);

test('what was told at the scale is what went in; otherwise every delivery that may lie there', () => {
	const found = lotsOfUses(
		[came('A', 1), came('B', 3)],
		[counted(0, 0)],
		[use('first', 2), use('both', 4), use('told', 5, 10, 'B'), use('last', 9, 25)]
	);
	assert.deepEqual(lotsOf(found, 'first'), ['A possible'], 'only A was in the house');
	assert.deepEqual(lotsOf(found, 'both'), ['B possible', 'A possible'], '90 lie there, 50 of B');
	assert.deepEqual(lotsOf(found, 'told'), ['B told']);
	assert.equal(found.get('told')?.[0]?.atMs, 3);
	const later = lotsOfUses(
		[came('A', 1), came('B', 3)],
		[counted(0, 0), counted(30, 6)],
		[use('last', 9, 25)]
	);
	assert.deepEqual(lotsOf(later, 'last'), ['B possible'], '30 are left: A is used up');
});

test('where nothing was counted every delivery before is possible, and none after', () => {
	const found = lotsOfUses([came('A', 1), came('B', 3), came('C', 8)], [], [use('mix', 5)]);
	assert.deepEqual(lotsOf(found, 'mix'), ['B possible', 'A possible']);
	assert.deepEqual(lotsOf(lotsOfUses([], [], [use('mix', 5)]), 'mix'), []);
});

test('a recall leaves no batch out that a lot really went into, oldest first', () => {
	const grams = fc.integer({ min: 1, max: 60 });
	fc.assert(
		fc.property(
			fc.array(fc.record({ grams, uses: fc.array(grams, { maxLength: 4 }) }), {
				minLength: 1,
				maxLength: 8
			}),
			(weeks) => {
				// A house that counts once, at the beginning, and empties its bags oldest first.
				const arrivals: Arrival[] = [];
				const uses: Use[] = [];
				const really = new Map<string, string[]>();
				const bags: { lot: string; grams: number }[] = [];
				let atMs = 1;
				for (const [week, { grams: got, uses: taken }] of weeks.entries()) {
					arrivals.push({ lot: `L${week}`, grams: got, atMs: (atMs += 1) });
					bags.push({ lot: `L${week}`, grams: got });
					for (const [index, wanted] of taken.entries()) {
						const there = bags.reduce((all, bag) => all + bag.grams, 0);
						const take = Math.min(wanted, there);
						if (take === 0) continue;
						const batchId = `${week}.${index}`;
						uses.push({ batchId, grams: take, atMs: (atMs += 1), told: [] });
						let left = take;
						for (const bag of bags) {
							const part = Math.min(left, bag.grams);
							if (part > 0) really.set(batchId, [...(really.get(batchId) ?? []), bag.lot]);
							bag.grams -= part;
							left -= part;
						}
					}
				}
				const found = lotsOfUses(arrivals, [counted(0, 0)], uses);
				for (const [batchId, lots] of really)
					for (const lot of lots)
						assert.ok(
							found.get(batchId)?.some((one) => one.lot === lot),
							`${lot} is missing in ${batchId}`
						);
			}
		)
	);
});

const LINKS = [
	{ batchId: 'mix', parentId: 'levain' },
	{ batchId: 'other mix', parentId: 'levain' },
	{ batchId: 'portion', parentId: 'mix' },
	{ batchId: 'load', parentId: 'portion' }
];

test('a lot goes with what it went into, both ways', () => {
	assert.deepEqual(followed(['levain'], LINKS, 'forward').toSorted(), [
		'levain',
		'load',
		'mix',
		'other mix',
		'portion'
	]);
	assert.deepEqual(followed(['load'], LINKS, 'back'), ['load', 'portion', 'mix', 'levain']);
	assert.deepEqual(followed(['a'], [{ batchId: 'a', parentId: 'a' }], 'back'), ['a']);
	const lots = new Map<string, readonly LotOfUse[]>([
		['levain', [{ lot: 'A', known: 'possible', atMs: 1 }]],
		['mix', [{ lot: 'A', known: 'told', atMs: 1 }]]
	]);
	const found = new Map(recallOf('A', lots, LINKS).map((one) => [one.batchId, one]));
	assert.equal(found.get('portion')?.known, 'told');
	assert.equal(found.get('portion')?.firstHand, false);
	assert.equal(found.get('other mix')?.known, 'possible');
	assert.equal(recallOf('B', lots, LINKS).length, 0);
});

test('every fault has causes, and every cause some fault', () => {
	assert.deepEqual(Object.keys(CAUSES_OF).toSorted(), [...FAULTS].toSorted());
	const used = new Set(Object.values(CAUSES_OF).flatMap((causes) => Object.keys(causes)));
	assert.deepEqual([...used].toSorted(), [...CAUSES].toSorted());
});

const first = (fault: string, evidence: Partial<Evidence>) => {
	const [one] = causesOf(fault, { ...NO_EVIDENCE, ...evidence });
	assert.ok(one, fault);
	return one;
};

test('a fault is put to the cause that its batch shows', () => {
	const WORKED: readonly (readonly [string, Partial<Evidence>, string])[] = [
		['dull-crust', { steam: 'left-out', proofShare: 1, stoneOffKelvins: 2 }, 'no-steam'],
		['burst-below', { steam: 'given', proofShare: 0.7 }, 'proof-short'],
		['burst-below', { steam: 'left-out', proofShare: 1 }, 'no-steam'],
		['flat', { doughOffKelvins: 5, proofShare: 1, bulkShare: 1 }, 'dough-warm'],
		['flat', { doughOffKelvins: 0.2, proofShare: 1.4 }, 'proof-long'],
		['dense', { bulkShare: 0.7, proofShare: 1, doughOffKelvins: 0 }, 'bulk-short'],
		['gummy', { bakeShare: 0.8, coreOffKelvins: -5 }, 'bake-short'],
		['bland', { saltShare: 0, bulkShare: 1 }, 'salt-low'],
		['dark', { stoneOffKelvins: 30, bakeShare: 1 }, 'stone-hot'],
		['sour', { bulkShare: 1.6, proofShare: 1, doughOffKelvins: 0 }, 'bulk-long']
	];
	for (const [fault, evidence, cause] of WORKED) {
		const one = first(fault, evidence);
		assert.equal(one.cause, cause, `${fault} by ${JSON.stringify(evidence)}`);
		assert.ok(one.isShown && one.speaksFor.length > 0, fault);
	}
});

test('with nothing written down no cause is shown, and what would show it is named', () => {
	for (const fault of FAULTS) {
		const all = causesOf(fault, NO_EVIDENCE);
		assert.ok(
			all.every(({ isShown, speaksFor }) => !isShown && speaksFor.length === 0),
			fault
		);
		assert.ok(
			all.every(({ missing, onTheBread }) => onTheBread || missing.length > 0),
			fault
		);
		assert.ok(Math.abs(all.reduce((sum, { weight }) => sum + weight, 0) - 1) < 1e-9, fault);
	}
	assert.deepEqual(causesOf('haunted', NO_EVIDENCE), []);
});

test('evidence for a cause never lowers it', () => {
	fc.assert(
		fc.property(
			fc.constantFrom(...FAULTS),
			fc.double({ min: 0.3, max: 1, noNaN: true }),
			(fault, share) => {
				const weightOf = (evidence: Partial<Evidence>) =>
					causesOf(fault, { ...NO_EVIDENCE, ...evidence }).find(
						({ cause }) => cause === 'proof-short'
					)?.weight;
				const without = weightOf({ proofShare: 1 });
				const having = weightOf({ proofShare: share });
				assert.ok(without === undefined || (having ?? 0) >= without - 1e-12);
			}
		)
	);
});
