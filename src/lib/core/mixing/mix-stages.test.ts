import { test } from 'node:test';
import assert from 'node:assert/strict';
import { mixingOf } from './index.ts';

test('how a dough is mixed is read off its chain: the speeds, and what is done before the rest', () => {
	const mixStep = (slow: number, fast: number) => ({
		kind: 'hands-on' as const,
		activity: 'mix' as const,
		machine: 'mixer' as const,
		fixedMinutes: slow + fast,
		secondsPerPiece: 0,
		endsAtCelsius: 24,
		detail: {
			kind: 'mixing' as const,
			stretches: [
				{ speed: 'slow' as const, minutes: slow },
				{ speed: 'fast' as const, minutes: fast }
			]
		}
	});
	const rest = {
		kind: 'wait' as const,
		activity: 'autolyse' as const,
		legs: [
			{
				named: null,
				place: 'room' as const,
				ambientCelsius: 22,
				timeConstantMinutes: 90,
				minutes: 30
			}
		],
		clock: null,
		foldsAtMinutes: [],
		foldsAtShares: []
	};
	const room = { celsius: 31 };
	const inRoom = (minutes: number) => ({ minutes, ambient: room, timeConstantMinutes: 90 });
	assert.deepEqual(
		mixingOf([mixStep(4, 0), rest, mixStep(9, 5)], () => room),
		{
			program: { slowMinutes: 13, fastMinutes: 5 },
			kneads: [
				{ share: 4 / 24, rest: inRoom(30) },
				{ share: 20 / 24, rest: null }
			]
		}
	);
	const untold = { ...mixStep(5, 5), detail: { kind: 'none' as const } };
	const once = { program: null, kneads: [{ share: 1, rest: null }] };
	assert.deepEqual(
		mixingOf([untold], () => room),
		once
	);
	assert.deepEqual(
		mixingOf([], () => room),
		once
	);
	assert.deepEqual(
		mixingOf([untold, rest, untold, rest, untold], () => room).kneads.map(({ share }) => share),
		[0.15, 0.425, 0.425]
	);
	// Rests in the cold between kneads count, all of them; what follows the last is no matter of the mixer's.
	const chilled = (minutes: number) => ({
		...rest,
		activity: 'chill' as const,
		legs: [
			{ named: null, place: 'cold' as const, ambientCelsius: 4, timeConstantMinutes: 60, minutes }
		]
	});
	const bulk = { ...rest, activity: 'bulk' as const };
	const cold = (minutes: number) => ({
		minutes,
		ambient: { celsius: 4 },
		timeConstantMinutes: 60
	});
	assert.deepEqual(
		mixingOf(
			[
				mixStep(4, 0),
				chilled(30),
				mixStep(4, 0),
				chilled(15),
				mixStep(8, 0),
				rest,
				bulk,
				mixStep(9, 0)
			],
			({ place, ambientCelsius }) => (place === 'room' ? room : { celsius: ambientCelsius })
		),
		{
			program: { slowMinutes: 16, fastMinutes: 0 },
			kneads: [
				{ share: 0.25, rest: cold(30) },
				{ share: 0.25, rest: cold(15) },
				{ share: 0.5, rest: null }
			]
		}
	);
});
