import { test } from 'node:test';
import assert from 'node:assert/strict';
import { colourOf, luminanceOf, onWhite, RAMP_ENDS, RAMP_STOPS } from './ramp.ts';

test('the ramp gets lighter all the way, so that it survives greyscale', () => {
	let before = -1;
	for (let celsius = RAMP_ENDS.cold; celsius <= RAMP_ENDS.ember; celsius += 0.5) {
		const light = luminanceOf(colourOf(celsius));
		assert.ok(light > before, `${celsius} degrees is not lighter than what is colder`);
		before = light;
	}
});

test('the ramp stays at its ends beyond them and meets its stops', () => {
	assert.equal(colourOf(-18), colourOf(RAMP_ENDS.cold));
	assert.equal(colourOf(97), colourOf(RAMP_ENDS.ember));
	assert.deepEqual(RAMP_STOPS.map(colourOf), [
		'#1d2b5e',
		'#3f6296',
		'#8d7f92',
		'#dd8a52',
		'#ffd27a'
	]);
});

test('what is forecast is lighter than what was measured, and as dark as ever at full strength', () => {
	assert.equal(onWhite('#1d2b5e', 1), '#1d2b5e');
	assert.equal(onWhite('#1d2b5e', 0), '#ffffff');
	// 0xff - 0.7 * (0xff - part), part by part.
	assert.equal(onWhite('#1d2b5e', 0.7), '#616b8e');
});
