import { randomUUID } from 'node:crypto';
import type { PreparationLine, Step } from '../../../core/formula/index.ts';
import type { PreparationKind } from '../../../core/formula/index.ts';
import type { Actor } from '../../auth/actor.ts';
import type { Tx } from '../../db/client.ts';
import { materialColumns } from '../../db/formula-history.ts';

/** All that a revision of a build or soaker holds beside its lines. */
export interface PreparationHead {
	readonly preparationId: string;
	readonly number: number;
	readonly kind: PreparationKind;
	readonly buildLossShare: number;
	readonly takeBackGrams: number;
	readonly steps: readonly Step[];
}

/** Writes the head of a revision; the lines follow once every build they name is there. */
export async function insertPreparationRevision(
	tx: Tx,
	head: PreparationHead,
	actor: Actor
): Promise<string> {
	const revisionId = randomUUID();
	await tx
		.insertInto('preparation_revision')
		.values({
			id: revisionId,
			preparation_id: head.preparationId,
			number: head.number,
			kind: head.kind,
			build_loss_share: head.buildLossShare,
			take_back_g: head.takeBackGrams,
			steps: JSON.stringify(head.steps),
			made_by: actor.id
		})
		.execute();
	return revisionId;
}

export async function insertPreparationLines(
	tx: Tx,
	revision_id: string,
	lines: readonly PreparationLine[]
): Promise<void> {
	await tx
		.insertInto('preparation_revision_line')
		.values(
			lines.map((line, index) => ({
				revision_id,
				ordinal: index + 1,
				...materialColumns(line.material),
				parts: line.parts
			}))
		)
		.execute();
}
