import { fail, ok } from '../../../core/result.ts';
import { lockOrderLine } from '../../db/orders.ts';
import type { CommandHandler } from './handler.ts';

/** Sets the pieces of one product for one drop, unless someone changed them since the baker looked. */
export const changeOrder: CommandHandler<'change-order'> = async (tx, command, actor) => {
	const { date, dropId, productId, pieces, expectedVersion } = command;
	const drop = await tx
		.selectFrom('delivery_drop')
		.select('id')
		.where('id', '=', dropId)
		.where('retired_at', 'is', null)
		.executeTakeFirst();
	if (!drop) return fail({ kind: 'unknown', what: 'drop' });
	const product = await tx
		.selectFrom('product')
		.select('id')
		.where('id', '=', productId)
		.where('retired_at', 'is', null)
		.executeTakeFirst();
	if (!product) return fail({ kind: 'unknown', what: 'product' });

	const key = { bake_date: date, drop_id: dropId, product_id: productId };
	// A line that is not there yet is made first, so that two bakers meet at its lock.
	if (expectedVersion === 0)
		await tx
			.insertInto('order_line')
			.values({ ...key, pieces: 0, row_version: 0, changed_by: actor.id })
			.onConflict((conflict) => conflict.doNothing())
			.execute();
	const line = await lockOrderLine(tx, { date, dropId, productId });
	if (!line || line.version !== expectedVersion)
		return fail({
			kind: 'changed-meanwhile',
			version: line?.version ?? 0,
			value: line?.pieces ?? 0,
			by: line?.by ?? actor.name
		});
	const version = line.version + 1;
	await tx
		.updateTable('order_line')
		.set({ pieces, row_version: version, changed_by: actor.id })
		.where('bake_date', '=', date)
		.where('drop_id', '=', dropId)
		.where('product_id', '=', productId)
		.execute();
	await tx
		.insertInto('order_change')
		.values({
			...key,
			command_id: command.id,
			pieces_before: line.pieces,
			pieces_after: pieces
		})
		.execute();
	return ok({ version, pieces });
};
