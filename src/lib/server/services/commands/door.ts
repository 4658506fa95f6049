import { sql } from 'kysely';
import type {
	Command,
	CommandAnswers,
	CommandOutcome,
	Refusal
} from '../../../contracts/commands.ts';
import { assertNever, type Result } from '../../../core/result.ts';
import type { Actor } from '../../auth/actor.ts';
import type { Db, Tx } from '../../db/client.ts';
import { acceptPlan } from './accept-plan.ts';
import { changeOrder } from './change-order.ts';
import { createFormula } from './create-formula.ts';
import { copyOrders } from './copy-orders.ts';
import { addDelivery } from './add-delivery.ts';
import { retire } from './retire.ts';
import { saveFormula } from './save-formula.ts';
import { saveIngredient } from './save-ingredient.ts';
import { savePreparation } from './save-preparation.ts';
import { saveProduct } from './save-product.ts';
import { setAsideDraft } from './set-aside-draft.ts';
import { checkDough } from './check-dough.ts';
import { ignoreObservation } from './ignore-observation.ts';
import { judgeReadiness } from './judge-readiness.ts';
import { measureDough } from './measure-dough.ts';
import { moveDough } from './move-dough.ts';
import { registerDevice } from './register-device.ts';
import { resetLearning } from './reset-learning.ts';
import { revokeDevice } from './revoke-device.ts';
import { saveRetarder } from './save-retarder.ts';
import { setSupply } from './set-supply.ts';
import { setUnits } from './set-units.ts';
import { setLead } from './set-lead.ts';
import { setWaterSchool } from './set-water-school.ts';
import { takeReading } from './take-reading.ts';

type Answer = CommandAnswers[Command['kind']];

/** Undoes the transaction of a command that was refused after it had begun to write. */
class Refused extends Error {
	constructor(readonly refusal: Refusal) {
		super('refused');
	}
}

/**
 * The one door for writing: each command runs once, in one transaction, and is kept with its actor, its
 * times and its answer. Repeating a command gives the answer it gave before; a refused one wrote nothing.
 */
export async function carryOut(db: Db, command: Command, actor: Actor): Promise<CommandOutcome> {
	try {
		const answer = await db.transaction().execute(async (tx) => {
			await sql`select pg_advisory_xact_lock(hashtext(${'command ' + command.id}))`.execute(tx);
			const before = await answeredBefore(tx, command);
			if (before) return before;
			const result = await handle(tx, command, actor);
			if (!result.ok) throw new Refused(result.error);
			await tx
				.insertInto('command')
				.values({
					id: command.id,
					kind: command.kind,
					actor_id: actor.id,
					occurred_at: new Date(command.occurredAtMs),
					request: JSON.stringify(command),
					answer: JSON.stringify(result.value)
				})
				.execute();
			return result.value;
		});
		return { outcome: 'done', answer };
	} catch (error) {
		if (error instanceof Refused) return { outcome: 'refused', refusal: error.refusal };
		throw error;
	}
}

async function answeredBefore(tx: Tx, command: Command): Promise<Answer | null> {
	const row = await tx
		.selectFrom('command')
		.select(['answer', sql<boolean>`request = ${JSON.stringify(command)}::jsonb`.as('same')])
		.where('id', '=', command.id)
		.executeTakeFirst();
	if (!row) return null;
	if (!row.same) throw new Refused({ kind: 'id-used-before' });
	// Written below from the answer's own type and append-only since.
	return row.answer as Answer;
}

function handle(tx: Tx, command: Command, actor: Actor): Promise<Result<Answer, Refusal>> {
	switch (command.kind) {
		case 'change-order':
			return changeOrder(tx, command, actor);
		case 'copy-orders':
			return copyOrders(tx, command, actor);
		case 'take-reading':
			return takeReading(tx, command, actor);
		case 'measure-dough':
			return measureDough(tx, command, actor);
		case 'check-dough':
			return checkDough(tx, command, actor);
		case 'move-dough':
			return moveDough(tx, command, actor);
		case 'judge-readiness':
			return judgeReadiness(tx, command, actor);
		case 'ignore-observation':
			return ignoreObservation(tx, command, actor);
		case 'reset-learning':
			return resetLearning(tx, command, actor);
		case 'register-device':
			return registerDevice(tx, command, actor);
		case 'revoke-device':
			return revokeDevice(tx, command, actor);
		case 'set-supply':
			return setSupply(tx, command, actor);
		case 'set-units':
			return setUnits(tx, command, actor);
		case 'save-retarder':
			return saveRetarder(tx, command, actor);
		case 'set-water-school':
			return setWaterSchool(tx, command, actor);
		case 'set-lead':
			return setLead(tx, command, actor);
		case 'create-formula':
			return createFormula(tx, command, actor);
		case 'save-formula':
			return saveFormula(tx, command, actor);
		case 'set-aside-draft':
			return setAsideDraft(tx, command, actor);
		case 'save-preparation':
			return savePreparation(tx, command, actor);
		case 'save-product':
			return saveProduct(tx, command, actor);
		case 'save-ingredient':
			return saveIngredient(tx, command, actor);
		case 'add-delivery':
			return addDelivery(tx, command, actor);
		case 'retire':
			return retire(tx, command, actor);
		case 'accept-plan':
			return acceptPlan(tx, command, actor);
		default:
			return assertNever(command);
	}
}
