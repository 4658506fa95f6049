import { SHEETS } from '../../contracts/sheet-paths.ts';
import { STATIONS } from '../../core/planning/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { readWater } from './read-water.ts';

/** The pages that a night is worked by, with a weigh-up for each mix and build: what a browser keeps for when there is no network. */
export async function nightAddresses(
	db: Db,
	date: BakeDate,
	realNowMs: number
): Promise<readonly string[]> {
	const { mixes, builds } = await readWater(db, date, realNowMs);
	const day = `/bake/${date}`;
	return [
		'/',
		`${day}/bench`,
		...STATIONS.map((station) => `${day}/bench/${station}`),
		`${day}/water`,
		`${day}/ovens`,
		`${day}/fermentation`,
		`${day}/run-sheet`,
		...SHEETS.filter((sheet) => sheet !== 'night').map((sheet) => `${day}/run-sheet/${sheet}`),
		...builds.map(
			({ preparationId, ordinal }) => `${day}/doughs/weigh/preparation/${preparationId}/${ordinal}`
		),
		...mixes.map(({ formulaId, ordinal }) => `${day}/doughs/weigh/mix/${formulaId}/${ordinal}`)
	];
}
