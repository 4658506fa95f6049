import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { problemOf, type NeutralCase } from './neutral-case.ts';
import { solutionOf } from './neutral-solution.ts';
import { nodeTeam } from './node-team.ts';
import { solveByTeam, warmUp } from './timed.ts';

/** A wrong option gets one line and the right ones, not where in the code it was met. */
function readArguments() {
	try {
		return parseArgs({
			options: {
				in: { type: 'string' },
				out: { type: 'string' },
				ms: { type: 'string', default: '500' },
				seeds: { type: 'string', default: '1,2,3,4,5' }
			}
		});
	} catch {
		return sayHow();
	}
}

function sayHow(): never {
	process.stderr.write(
		'Say which cases: npm run schedule:cases -- --in FOLDER --out FOLDER --ms 500 --seeds 1,2,3\n'
	);
	process.exit(2);
}

// npm run schedule:cases -- --in FOLDER --out FOLDER --ms 500 --seeds 1,2,3,4,5
const { values } = readArguments();
const { in: from, out: to } = values;
const ms = Number(values.ms);
const seeds = values.seeds.split(',').map(Number);
if (!from || !to || !(ms > 0) || seeds.some((seed) => !Number.isInteger(seed))) {
	sayHow();
}

const days = readdirSync(from)
	.filter((name) => name.endsWith('.json'))
	.sort()
	.map((name) => ({
		name: name.slice(0, -'.json'.length),
		day: JSON.parse(readFileSync(path.join(from, name), 'utf8')) as NeutralCase
	}));
if (days.length === 0) {
	process.stderr.write(`There is no case (a .json file) in ${from}.\n`);
	process.exit(2);
}
mkdirSync(to, { recursive: true });
const team = nodeTeam();
// Twice, by turns: what was compiled for one day alone is compiled anew for the next.
for (const { day } of [...days.slice(0, 3), ...days.slice(0, 3)])
	await warmUp(team, problemOf(day));
for (const { name, day } of days)
	for (const seed of seeds) {
		const { plan, cost, firstMs } = await solveByTeam(team, problemOf(day), {
			seed,
			budgetMs: ms
		});
		writeFileSync(path.join(to, `${name}.${seed}.json`), JSON.stringify(solutionOf(day, plan)));
		process.stdout.write(`${name} ${seed} ${firstMs.toFixed(1)} ${cost ?? 'does not hold'}\n`);
	}
team.close();
