import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { asAgreed, laterThanOrdered } from './agreed.ts';
import { DAY, person } from './harbour-day.fixture.ts';

test('a drop that waits is due later, the others are as ordered', () => {
	const day = asAgreed(DAY, [{ kind: 'drop-later', dropId: 'ferry', minutes: 25 }]);
	const told = day.drops.map(({ id, dueMs }) => laterThanOrdered({ dropId: id, dueMs }, DAY));
	assert.deepEqual(told, [25, 0]);
	assert.equal(laterThanOrdered({ dropId: 'nowhere', dueMs: 0 }, DAY), 0);
});

test('wishes that bind change nothing of the day', () => {
	assert.equal(asAgreed(DAY, [{ kind: 'deck-down', deckId: 'deck 1' }]), DAY);
});

test('however hours are added, nobody is there twice at once and none of the shift is lost', () => {
	const maud = person('Maud', ['mixing'], 14, 22);
	const [shift] = maud.there;
	assert.ok(shift);
	const minute = fc.integer({ min: -600, max: 1200 });
	fc.assert(
		fc.property(fc.array(fc.tuple(minute, minute), { maxLength: 4 }), (added) => {
			const wishes = added.map(([from, to]) => ({
				kind: 'there-too' as const,
				personId: 'maud',
				fromMs: shift.fromMs + from * 60_000,
				toMs: shift.fromMs + to * 60_000
			}));
			const there = asAgreed({ ...DAY, people: [maud] }, wishes).people?.[0]?.there ?? [];
			for (const [at, one] of there.entries()) {
				assert.ok(one.fromMs < one.toMs);
				const next = there[at + 1];
				if (next) assert.ok(one.toMs < next.fromMs);
			}
			const holds = (fromMs: number, toMs: number) =>
				there.some((one) => one.fromMs <= fromMs && toMs <= one.toMs);
			assert.ok(holds(shift.fromMs, shift.toMs));
			for (const { fromMs, toMs } of wishes) if (fromMs < toMs) assert.ok(holds(fromMs, toMs));
		})
	);
});
