import assert from 'node:assert/strict';
import { test } from 'node:test';
import { readUntilTold } from './read-until-told.ts';

/** A bakery whose readings tell what was stored from the given one on. */
function reads(tellsFrom: number, reached = true) {
	let readings = 0;
	return {
		read: () => {
			readings += 1;
			return Promise.resolve(reached);
		},
		isTold: () => readings >= tellsFrom,
		readings: () => readings
	};
}

test('what stands in the first reading is read once', async () => {
	const { read, isTold, readings } = reads(1);
	assert.equal(await readUntilTold(read, isTold), true);
	assert.equal(readings(), 1);
});

test('a reading that was under way before is followed by one that was not', async () => {
	const { read, isTold, readings } = reads(2);
	assert.equal(await readUntilTold(read, isTold), true);
	assert.equal(readings(), 2);
});

test('what somebody else took back is not waited for', async () => {
	const { read, isTold, readings } = reads(Infinity);
	assert.equal(await readUntilTold(read, isTold), true);
	assert.equal(readings(), 3);
});

test('while the server is not reached, what was sent stays as it was sent', async () => {
	const { read, isTold, readings } = reads(1, false);
	assert.equal(await readUntilTold(read, isTold), false);
	assert.equal(readings(), 1);
});

test('what is told already is not read for', async () => {
	const { read, isTold, readings } = reads(0);
	assert.equal(await readUntilTold(read, isTold), true);
	assert.equal(readings(), 0);
});

test('readings for two things that are sent one after the other do not overtake each other', async () => {
	const breath = () => new Promise((resolve) => setImmediate(resolve));
	let [begun, shown] = [0, false];
	/** What is begun later makes it bring nothing, as where a page reads its data. */
	const read = async () => {
		const own = (begun += 1);
		await breath();
		await breath();
		shown ||= own === begun;
		return true;
	};
	const first = readUntilTold(read, () => shown).then(() => shown);
	await breath();
	const second = readUntilTold(read, () => shown).then(() => shown);
	assert.deepEqual(await Promise.all([first, second]), [true, true]);
	assert.equal(begun, 1);
});
