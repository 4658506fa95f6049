import type { Refusal } from '../../../contracts/commands.ts';
import type { RipeningDoughView } from '../../../contracts/ripening-views.ts';
import { fail, ok, type Result } from '../../../core/result.ts';
import type { BakeDate } from '../../../core/time/index.ts';
import type { Tx } from '../../db/client.ts';
import { loadBakeryDay, type BakeryDay } from '../day-production.ts';
import { loadRipeningDoughs } from '../ripening-of-day.ts';

interface MixedDough {
	readonly day: BakeryDay;
	/** Every dough of the date. */
	readonly all: readonly RipeningDoughView[];
	readonly dough: RipeningDoughView & { readonly mixed: NonNullable<RipeningDoughView['mixed']> };
}

/** Finds a dough that came out of the mixer before a moment; refuses what is not there or not mixed yet. */
export async function findMixedDough(
	tx: Tx,
	command: {
		readonly date: BakeDate;
		readonly formulaId: string;
		readonly ordinal: number;
		readonly occurredAtMs: number;
	}
): Promise<Result<MixedDough, Refusal>> {
	const day = await loadBakeryDay(tx, command.date);
	const doughs = await loadRipeningDoughs(tx, day);
	const dough = doughs.find(
		(one) => one.formulaId === command.formulaId && one.ordinal === command.ordinal
	);
	if (!dough) return fail({ kind: 'unknown', what: 'dough' });
	const { mixed, name } = dough;
	if (!mixed) return fail({ kind: 'not-mixed-yet', name });
	if (command.occurredAtMs < mixed.atMs) return fail({ kind: 'before-the-mix', name });
	return ok({ day, all: doughs, dough: { ...dough, mixed } });
}
