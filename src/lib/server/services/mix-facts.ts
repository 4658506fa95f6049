import { batchKey } from '../../core/planning/index.ts';
import type { MixFacts } from '../../core/results/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { loadLogOf } from '../db/batch-log.ts';
import { loadBatchesOn } from '../db/batches.ts';
import type { Db } from '../db/client.ts';
import { loadWeighedFacts } from '../db/weighings.ts';
import { isBegun } from './day-production.ts';

/** What was measured, judged and weighed of each mix of a date that was begun; a fixed number of queries. */
export async function readMixFacts(db: Db, date: BakeDate): Promise<readonly MixFacts[]> {
	const { batches } = await loadBatchesOn(db, date);
	const mixes = batches.filter((batch) => batch.kind === 'mix').filter(isBegun);
	const ids = mixes.map(({ id }) => id);
	const [log, weighed] = await Promise.all([loadLogOf(db, ids), loadWeighedFacts(db, ids)]);
	return mixes
		.map((mix): MixFacts => {
			const own = log.filter(({ batchId }) => batchId === mix.id);
			const measured = own.findLast((entry) => entry.kind === 'measured');
			const judged = own.findLast((entry) => entry.kind === 'judged');
			const facts = weighed.find(({ batchId }) => batchId === mix.id);
			return {
				mix: batchKey({ kind: 'mix', formulaId: mix.formulaId, ordinal: mix.ordinal }),
				doughOffKelvins:
					measured?.kind === 'measured' && measured.targetCelsius !== null
						? measured.celsius - measured.targetCelsius
						: null,
				judged: judged?.kind === 'judged' ? judged.verdict : null,
				saltShare: facts?.saltShare ?? null,
				waterShare: facts?.waterShare ?? null,
				yeastShare: facts?.yeastShare ?? null,
				newFlourLot: facts?.newFlourLot ?? null
			};
		})
		.sort((a, b) => (a.mix < b.mix ? -1 : 1));
}
