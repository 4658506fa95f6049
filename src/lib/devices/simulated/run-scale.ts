// A scale of a simulated bakery, as a process of its own. It holds the address of the application (JOVET_ADDRESS)
// and a device key (JOVET_DEVICE_KEY), and nothing else. What is typed is put on it:
//
//   1240        puts 1240 g on it; -40 takes 40 g off
//   clear       takes everything off
import { createInterface } from 'node:readline';
import { startSimulatedScale } from './simulated-scale.ts';

function fail(what: string): never {
	process.stderr.write(`${what}\n`);
	process.exit(2);
}

const scale = startSimulatedScale({
	address: process.env.JOVET_ADDRESS ?? fail('JOVET_ADDRESS is not set'),
	key: process.env.JOVET_DEVICE_KEY ?? fail('JOVET_DEVICE_KEY is not set'),
	divisionGrams: 1,
	onTrouble: (what) => process.stderr.write(`scale: ${what}\n`)
});
const typed = createInterface({ input: process.stdin });
typed.on('line', (line) => {
	const text = line.trim();
	const grams = Number(text.replace(',', '.'));
	if (text === 'clear') scale.clear();
	else if (text !== '' && Number.isFinite(grams)) scale.put(grams);
	else process.stderr.write('Type grams to put on the scale, or "clear".\n');
});
for (const signal of ['SIGINT', 'SIGTERM'] as const)
	process.on(signal, () => {
		typed.close();
		scale.stop();
	});
await scale.over;
