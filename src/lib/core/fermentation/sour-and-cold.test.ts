import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import {
	ACID,
	doseOfStretch,
	favourOf,
	followRetarder,
	heatToRemove,
	judgeReadiness,
	LIFT,
	SIGHTINGS,
	temperatureOnPath,
	timeFactorOfYeast,
	type ReadinessVerdict,
	type Retarder,
	type RetarderLoad,
	type Sighting,
	type SightingKind
} from './index.ts';

const close = (actual: number, expected: number, within: number, what = '') =>
	assert.ok(Math.abs(actual - expected) <= within, `${what} ${actual} is not ${expected}`);

const held = (celsius: number, minutes = 60) =>
	favourOf(celsius, [{ minutes, ambientCelsius: celsius, timeConstantMinutes: Infinity }]);

test('a stage at 24 favours lift, one at 32 acid, one at 30 neither', () => {
	assert.equal(held(24).favours, 'lift');
	close(held(24).times, 1.45, 0.005);
	assert.equal(held(30).favours, 'neither');
	assert.equal(held(32).favours, 'acid');
	close(held(32).times, 2.11, 0.005);
	const hot = held(34);
	assert.deepEqual([hot.favours, hot.times], ['acid', Infinity]);
	assert.deepEqual(held(2), { favours: 'neither', yeastMinutes: 0, bacteriaMinutes: 0, times: 1 });
});

test('what a staged sour favours adds up over its stages, whatever the split', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 10, max: 32, noNaN: true }),
			fc.double({ min: 10, max: 32, noNaN: true }),
			fc.double({ min: 0.1, max: 0.9, noNaN: true }),
			(start, ambientCelsius, split) => {
				const place = { ambientCelsius, timeConstantMinutes: 200 };
				const whole = favourOf(start, [{ ...place, minutes: 300 }]);
				const parts = favourOf(start, [
					{ ...place, minutes: 300 * split },
					{ ...place, minutes: 300 * (1 - split) }
				]);
				close(parts.yeastMinutes, whole.yeastMinutes, 0.01, 'yeast');
				close(parts.bacteriaMinutes, whole.bacteriaMinutes, 0.01, 'bacteria');
			}
		)
	);
});

test('souring all but stops in the cold while lift goes on', () => {
	const cold = { minutes: 720, ambientCelsius: 4, timeConstantMinutes: 150 };
	const acid = doseOfStretch(ACID, 25, 24, cold);
	const lift = doseOfStretch(LIFT.sourdough, 25, 24, cold);
	assert.ok(acid > 0 && acid < lift, `${acid} and ${lift}`);
});

test('time goes inversely with yeast, within the range in which that holds', () => {
	assert.deepEqual(timeFactorOfYeast(1, 2), { ok: true, value: 0.5 });
	assert.deepEqual(timeFactorOfYeast(2, 1), { ok: true, value: 2 });
	const outside = (percentOfFlour: number) => ({
		ok: false,
		error: { kind: 'outside-the-rule', percentOfFlour, least: 0.5, most: 7.5 }
	});
	assert.deepEqual(timeFactorOfYeast(0.8, 0.4), outside(0.4));
	assert.deepEqual(timeFactorOfYeast(8, 4), outside(8));
	assert.deepEqual(timeFactorOfYeast(NaN, 4), outside(NaN));
});

const retarder: Retarder = {
	setCelsius: 4,
	compressorWatts: 900,
	airKilojoulesPerKelvin: 60,
	wallsWattsPerKelvin: 6
};
const load: RetarderLoad = {
	inAtMinutes: 0,
	kilograms: 54,
	startCelsius: 24,
	timeConstantMinutes: 150,
	curve: LIFT.sourdough,
	referenceCelsius: 25
};
const hours = (most: number) => Array.from({ length: most * 4 + 1 }, (_, index) => index * 15);

test('worked figure: 60 loaves of 0.9 kg from 24 to 4 degrees give off 3 024 kJ', () => {
	close(heatToRemove(54, 20), 3024, 0.5);
});

test('worked figure: with power to spare the loaves do what they do in air of 4 degrees', () => {
	const strong = {
		...retarder,
		compressorWatts: 1e6,
		airKilojoulesPerKelvin: 1000,
		wallsWattsPerKelvin: 0
	};
	const last = followRetarder(strong, [load], 24, hours(12)).at(-1)!;
	close(last.loads[0]!.dose, 121.4, 0.3);
	close(
		last.loads[0]!.celsius,
		temperatureOnPath(24, [{ minutes: 720, ambientCelsius: 4, timeConstantMinutes: 150 }], 720),
		0.05
	);
});

test('a weak compressor lets the air rise, runs at its most, and the loaves do more', () => {
	const weak = followRetarder({ ...retarder, compressorWatts: 300 }, [load], 24, hours(12));
	const strong = followRetarder(retarder, [load], 24, hours(12));
	assert.ok(Math.max(...weak.map((moment) => moment.airCelsius)) > 6.5, 'the air rises');
	assert.ok(
		weak.some((moment) => moment.fullPower),
		'it runs at its most'
	);
	assert.ok(
		strong.every((moment) => !moment.fullPower),
		'the strong one never has to'
	);
	assert.ok(
		weak.at(-1)!.loads[0]!.dose > strong.at(-1)!.loads[0]!.dose + 10,
		'the loaves do more in the weak one'
	);
});

test('heat is kept: what the loaves give is what air, walls and compressor account for', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 5, max: 200, noNaN: true }),
			fc.double({ min: 100, max: 3000, noNaN: true }),
			fc.double({ min: 15, max: 32, noNaN: true }),
			(kilograms, compressorWatts, room) => {
				const moments = followRetarder(
					{ ...retarder, compressorWatts },
					[{ ...load, kilograms }],
					room,
					Array.from({ length: 601 }, (_, index) => index)
				);
				for (const [index, one] of moments.entries()) {
					const before = moments[index - 1];
					if (!before) continue;
					assert.ok(one.loads[0]!.dose >= before.loads[0]!.dose, 'the dose never falls');
					const given = heatToRemove(kilograms, before.loads[0]!.celsius - one.loads[0]!.celsius);
					const air = (one.airCelsius + before.airCelsius) / 2;
					const walls = (6 * 60 * (room - air)) / 1000;
					const warmed = 60 * (one.airCelsius - before.airCelsius);
					// What is left over is what the compressor took: never less than nothing, nor more than it can.
					const taken = given + walls - warmed;
					const most = (compressorWatts * 60) / 1000;
					// The core is told to 0.001 K at either end.
					const slack = 0.5 + 2 * heatToRemove(kilograms, 0.001);
					assert.ok(
						taken > -slack && taken < most + slack,
						`${taken} of ${most} kJ in minute ${index}`
					);
				}
			}
		),
		{ numRuns: 40 }
	);
});

test('the air of a weak compressor is right from the first minute, against steps of a hundredth of a minute', () => {
	const weak = { ...retarder, compressorWatts: 189.46 };
	const heavy = { ...load, kilograms: 91.4 };
	const minutes = Array.from({ length: 31 }, (_, minute) => minute);
	const followed = followRetarder(weak, [heavy], 15, minutes);
	let [air, celsius] = [weak.setCelsius, heavy.startCelsius];
	const length = 0.001;
	const slopes = (nowAir: number, now: number) => {
		const cooling = (now - nowAir) / heavy.timeConstantMinutes;
		const power = 0.06 * weak.compressorWatts * Math.min(1, Math.max(0, nowAir - weak.setCelsius));
		const walls = 0.06 * weak.wallsWattsPerKelvin * (15 - nowAir);
		const given = heatToRemove(heavy.kilograms, cooling);
		return [(given + walls - power) / weak.airKilojoulesPerKelvin, -cooling] as const;
	};
	for (let step = 0; step <= 30 / length; step += 1) {
		const minute = step * length;
		const here = followed[Math.round(minute)];
		if (Math.abs(minute - Math.round(minute)) < length / 2) {
			assert.ok(Math.abs((here?.airCelsius ?? 99) - air) < 0.001, `air in minute ${minute}`);
			assert.ok(Math.abs((here?.loads[0]?.celsius ?? 99) - celsius) < 0.001, `core ${minute}`);
		}
		const [airSlope, slope] = slopes(air, celsius);
		const [halfAir, half] = [air + (length / 2) * airSlope, celsius + (length / 2) * slope];
		const [midAir, mid] = slopes(halfAir, half);
		air += length * midAir;
		celsius += length * mid;
	}
});

test('a second load warms the air for the first, and is followed from when it goes in', () => {
	const alone = followRetarder(retarder, [load], 24, hours(12));
	const later = { ...load, inAtMinutes: 240, startCelsius: 27 };
	const both = followRetarder(retarder, [load, later], 24, hours(12));
	assert.deepEqual(
		both.map((moment) => moment.minutes),
		hours(12)
	);
	for (const [index, one] of both.entries()) {
		const before = alone[index]!;
		if (one.minutes <= 240) close(one.airCelsius, before.airCelsius, 0.01);
		else assert.ok(one.loads[0]!.dose >= before.loads[0]!.dose - 0.01, `${one.minutes}`);
		if (one.minutes < 240) assert.deepEqual(one.loads[1], { celsius: 27, dose: 0 });
	}
	assert.ok(both.at(-1)!.loads[1]!.celsius < 8);
});

const clock = { share: 0.8, earlyShare: 0.85, lateShare: 1.4 };
const sightings = Object.entries(SIGHTINGS).flatMap(([kind, seen]) =>
	seen.map((sign) => ({ kind: kind as SightingKind, seen: sign }) as Sighting)
);
const ORDER: readonly ReadinessVerdict[] = ['not-yet', 'nearly', 'ready', 'late'];

test('without a sight the clock alone says how ready a dough is', () => {
	const says = (share: number) => judgeReadiness({ ...clock, share }, []).verdict;
	assert.deepEqual([0.5, 0.88, 1, 1.3, 1.5].map(says), [
		'not-yet',
		'nearly',
		'ready',
		'ready',
		'late'
	]);
	assert.equal(judgeReadiness({ ...clock, share: 0.5 }, []).atOdds, false);
});

test('what is seen can overrule the clock, and then it is said that they are at odds', () => {
	const stays = judgeReadiness(clock, [{ kind: 'poke', seen: 'stays' }]);
	assert.deepEqual([stays.verdict, stays.atOdds], ['ready', true]);
	assert.deepEqual(
		stays.reasons.map((reason) => reason.says),
		['not-yet', 'ready']
	);
	const young = judgeReadiness({ ...clock, share: 1.1 }, [
		{ kind: 'poke', seen: 'springs-back' },
		{ kind: 'rise', seen: 'little' }
	]);
	assert.equal(young.verdict, 'not-yet');
	assert.equal(judgeReadiness(clock, [{ kind: 'spread', seen: 'runs' }]).wantsPreShape, true);
});

test('an older sight of any kind never makes a dough younger', () => {
	for (const kind of Object.keys(SIGHTINGS) as SightingKind[]) {
		const said = sightings
			.filter((sighting) => sighting.kind === kind)
			.map((sighting) => judgeReadiness({ ...clock, share: 1 }, [sighting]));
		for (const [index, one] of said.entries()) {
			const before = said[index - 1];
			if (!before) continue;
			assert.ok(one.share >= before.share, `${kind} ${index}`);
			assert.ok(ORDER.indexOf(one.verdict) >= ORDER.indexOf(before.verdict), `${kind} ${index}`);
		}
	}
});
