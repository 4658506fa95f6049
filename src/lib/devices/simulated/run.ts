// Probes of a simulated bakery, as a process of its own. It holds the address of the application
// (JOVET_ADDRESS) and a device key (JOVET_DEVICE_KEY), and nothing else.
//
//   --weather hot                 usual (by the season) or hot
//   --noise 0.04                  spread of a reading in kelvins
//   --drift 0                     kelvins a day that every sensor wanders off
//   --drop-outs 0                 share of readings that are never sent, 0 to 1
//   --stuck "Cold tap"            a sensor that says for ever the same; may stand several times
import { parseArgs } from 'node:util';
import { GOOD, type Faults } from './faults.ts';
import { WEATHERS } from './physics.ts';
import { startSimulatedDevice } from './simulated-device.ts';

const SEED = 4310;

function fail(what: string): never {
	process.stderr.write(`${what}\n`);
	process.exit(2);
}

const { values } = parseArgs({
	options: {
		weather: { type: 'string', default: 'usual' },
		noise: { type: 'string', default: String(GOOD.noiseKelvins) },
		drift: { type: 'string', default: '0' },
		'drop-outs': { type: 'string', default: '0' },
		stuck: { type: 'string', multiple: true, default: [] }
	}
});
const weather =
	WEATHERS.find((weather) => weather === values.weather) ??
	fail('--weather wants "usual" or "hot"');
const number = (name: string, text: string, most: number) => {
	const value = Number(text);
	return Number.isFinite(value) && Math.abs(value) <= most
		? value
		: fail(`--${name} wants a number up to ${most}, not "${text}"`);
};
const faults: Faults = {
	noiseKelvins: number('noise', values.noise, 10),
	driftKelvinsPerDay: number('drift', values.drift, 20),
	dropOuts: number('drop-outs', values['drop-outs'], 1),
	stuck: values.stuck
};
const address = process.env.JOVET_ADDRESS ?? fail('JOVET_ADDRESS is not set');
const key = process.env.JOVET_DEVICE_KEY ?? fail('JOVET_DEVICE_KEY is not set');

let last = '';
const device = startSimulatedDevice({
	address,
	key,
	weather,
	faults,
	seed: SEED,
	// The same trouble is told once.
	onTrouble: (what) => {
		const kind = what.replace(/\d+/g, '');
		if (kind !== last) process.stderr.write(`probes: ${what}\n`);
		last = kind;
	}
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, device.stop);
await device.over;
