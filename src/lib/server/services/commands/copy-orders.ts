import { sql } from 'kysely';
import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Copies one date's orders to a date that has none. */
export const copyOrders: CommandHandler<'copy-orders'> = async (tx, command, actor) => {
	const { from, to } = command;
	// Two copies to one date must not meet: the second waits and then finds the first.
	await sql`select pg_advisory_xact_lock(hashtext(${'copy-orders ' + to}))`.execute(tx);
	const there = await tx
		.selectFrom('order_line')
		.select('pieces')
		.where('bake_date', '=', to)
		.where('pieces', '>', 0)
		.execute();
	if (there.length > 0) return fail({ kind: 'orders-there-already', lines: there.length });
	const lines = await tx
		.selectFrom('order_line')
		.innerJoin('product', 'product.id', 'order_line.product_id')
		.innerJoin('delivery_drop', 'delivery_drop.id', 'order_line.drop_id')
		.select(['order_line.drop_id', 'order_line.product_id', 'order_line.pieces'])
		.where('bake_date', '=', from)
		.where('pieces', '>', 0)
		.where('product.retired_at', 'is', null)
		.where('delivery_drop.retired_at', 'is', null)
		.execute();
	if (lines.length === 0) return fail({ kind: 'nothing-to-copy' });
	await tx
		.insertInto('order_line')
		.values(lines.map((line) => ({ ...line, bake_date: to, changed_by: actor.id })))
		.onConflict((conflict) =>
			conflict.columns(['bake_date', 'drop_id', 'product_id']).doUpdateSet((set) => ({
				pieces: set.ref('excluded.pieces'),
				row_version: sql<number>`order_line.row_version + 1`,
				changed_by: actor.id
			}))
		)
		.execute();
	await tx
		.insertInto('order_change')
		.values(
			lines.map((line) => ({
				drop_id: line.drop_id,
				product_id: line.product_id,
				bake_date: to,
				command_id: command.id,
				pieces_before: 0,
				pieces_after: line.pieces
			}))
		)
		.execute();
	return ok({ lines: lines.length });
};
