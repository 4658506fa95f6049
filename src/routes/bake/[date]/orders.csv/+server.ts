import { writeTable } from '$lib/formats/table-of-work.ts';
import { database } from '$lib/server/db/connection.ts';
import { fileAnswer } from '$lib/server/file-answer.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readOrders } from '$lib/server/services/read-orders.ts';
import { ordersAsTable } from '$lib/wording/orders-as-table.ts';
import type { RequestHandler } from './$types';

/** The orders of a date as a table: a line for each product, a column for each drop. */
export const GET: RequestHandler = async ({ params, locals }) => {
	const date = dateOfPage(params.date);
	const orders = await forPage(locals, () => readOrders(database(), date));
	const { columns, rows } = ordersAsTable(orders);
	return fileAnswer(writeTable(columns, rows), 'text/csv', `orders-${date}.csv`);
};
