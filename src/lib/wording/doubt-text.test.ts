import { test } from 'node:test';
import assert from 'node:assert/strict';
import { doubtText } from './doubt-text.ts';

const UNITS = { mass: 'metric', temperature: 'celsius' } as const;
const at = (celsius: number, hoursEarly = 0, expectedCelsius: number | null = 25) =>
	doubtText(
		{
			celsius,
			expectedCelsius,
			plannedMs: Date.UTC(2026, 10, 24, 3) + hoursEarly * 3_600_000,
			nowMs: Date.UTC(2026, 10, 24, 3)
		},
		UNITS,
		'Europe/London'
	);

test('a dough as warm as forecast, or a warm night away from it, is not asked about', () => {
	for (const celsius of [19.1, 22, 25, 28, 30.9]) assert.equal(at(celsius), null);
	assert.equal(at(25, 2.9), null);
	assert.equal(at(60, 0, null), null, 'nothing forecast it');
});

test('17 for 70 and a dough hours before its plan are asked about, each by itself and both at once', () => {
	assert.match(at(35.4) ?? '', /^It was expected at 25\.0 °C, and 35\.4 °C is far from that\. If/);
	assert.match(
		at(25, 4) ?? '',
		/^The plan begins it only at 07:00\. If it is so, keep it once more\.$/
	);
	assert.match(at(17, 4) ?? '', /expected at 25\.0 °C.*only at 07:00/);
});
