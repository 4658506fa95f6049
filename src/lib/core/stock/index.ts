export { onHand, type StockSince } from './on-hand.ts';
export { stockAhead, type StockAhead, type StockNeed } from './stock-ahead.ts';
export {
	lastDelivery,
	nextDelivery,
	toOrder,
	type LastDelivery,
	type Lasting,
	type ToOrder
} from './shopping.ts';
