import { test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { readCommand } from '../../src/lib/server/commands/door.ts';
import { HARBOUR_DOUGH, NOW_MS, plannedMix } from './test-database.ts';

const BATCH = plannedMix(HARBOUR_DOUGH, 1, randomUUID(), 20_000);

/** Commands that are taken as they are, and of each number of theirs the least and the most that is. */
const LIMITS: readonly {
	readonly command: Readonly<Record<string, unknown>>;
	readonly fields: Readonly<Record<string, readonly [least: number, most: number]>>;
}[] = [
	{
		command: {
			kind: 'set-supply',
			iceForm: 'cubes',
			iceMostShare: 0.15,
			iceCelsius: -2,
			chilledCelsius: 4,
			hotTapCelsius: 55,
			hottestWaterCelsius: 40,
			expectedVersion: 1
		},
		fields: {
			iceMostShare: [0, 1],
			iceCelsius: [-40, 0],
			chilledCelsius: [0, 20],
			hotTapCelsius: [20, 95],
			hottestWaterCelsius: [20, 60]
		}
	},
	{
		command: {
			kind: 'move-dough',
			batch: BATCH,
			place: 'cold',
			ambientCelsius: 4,
			timeConstantMinutes: 160,
			retarderId: null
		},
		fields: { ambientCelsius: [-25, 60], timeConstantMinutes: [2, 10_000] }
	},
	{
		command: {
			kind: 'measure-dough',
			batch: BATCH,
			celsius: 25,
			waterCelsius: 18,
			instrument: 'core-probe',
			mixerId: null,
			program: null
		},
		fields: { celsius: [-25, 105], waterCelsius: [-80, 100] }
	},
	{
		command: {
			kind: 'take-reading',
			quantity: 'preferment',
			preparationId: randomUUID(),
			celsius: 25,
			instrument: 'typed',
			correctsId: null
		},
		fields: { celsius: [-25, 105] }
	},
	{
		command: {
			kind: 'take-reading',
			quantity: 'room',
			preparationId: null,
			celsius: 25,
			instrument: 'typed',
			correctsId: null
		},
		fields: { celsius: [-25, 60] }
	},
	{
		command: { kind: 'set-lead', batch: BATCH, minutes: 10, expectedVersion: 0 },
		fields: { minutes: [0, 480] }
	}
];

const isTaken = (command: object) =>
	readCommand({ ...command, id: randomUUID(), occurredAtMs: NOW_MS });

for (const { command, fields } of LIMITS)
	for (const [field, [least, most]] of Object.entries(fields))
		test(`${String(command.kind)}: ${field} is taken from ${least} to ${most}, and refused beyond by its name`, () => {
			for (const value of [least, most]) {
				const read = isTaken({ ...command, [field]: value });
				assert.ok(read.ok, `${value}: ${JSON.stringify(read)}`);
			}
			for (const value of [least - 0.01, most + 0.01, Number.NaN, '7', undefined]) {
				const read = isTaken({ ...command, [field]: value });
				assert.ok(!read.ok && read.error.kind === 'malformed', `${String(value)} is refused`);
				assert.equal(read.error.problems[0]?.where, field, String(value));
			}
		});
