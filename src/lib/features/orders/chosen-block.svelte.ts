import { readBlock } from '../../formats/pasted-block.ts';
import {
	blockBetween,
	isIn,
	isOne,
	laidFrom,
	spotsOf,
	stepFrom,
	type Block,
	type Spot
} from './grid-block.ts';
import { readText, type WantedNumber } from './number-cell.ts';
import type { OrdersModel } from './orders-model.svelte.ts';

type Number = Omit<WantedNumber, 'pieces'>;

/** The grid as it is drawn: how large it is, and what each of its spots is about. */
export interface GridShape {
	readonly rows: readonly { readonly id: Number['productId']; readonly name: string }[];
	readonly columns: readonly { readonly id: Number['dropId']; readonly name: string }[];
}

/** The numbers of the grid that a hand has chosen, and what can be done to all of them at once. */
export class ChosenBlock {
	/** Where a hand began to choose, and how far it has come; the same where one number is chosen. */
	#anchor: Spot | null = $state.raw(null);
	#end: Spot | null = $state.raw(null);
	/** Why nothing was pasted; empty while nothing went wrong. */
	problem = $state('');

	constructor(
		private readonly model: OrdersModel,
		private readonly shape: () => GridShape
	) {}

	/** What is chosen; null while nothing is. */
	get block(): Block | null {
		return this.#anchor && this.#end ? blockBetween(this.#anchor, this.#end) : null;
	}

	/** More than one number is chosen. */
	get isMany(): boolean {
		const { block } = this;
		return block !== null && !isOne(block);
	}

	holds(spot: Spot): boolean {
		const { block } = this;
		return block !== null && this.isMany && isIn(block, spot);
	}

	get numbers(): readonly Number[] {
		return this.block ? spotsOf(this.block).flatMap((spot) => this.at(spot) ?? []) : [];
	}

	/** One of them was typed over a standing order, or without one. */
	get isTyped(): boolean {
		return this.numbers.some(({ productId, dropId }) => this.model.cell(productId, dropId).typed);
	}

	at({ row, column }: Spot): Number | null {
		const { rows, columns } = this.shape();
		const [product, drop] = [rows[row], columns[column]];
		return product && drop ? { productId: product.id, dropId: drop.id } : null;
	}

	choose(spot: Spot): void {
		this.#anchor = spot;
		this.#end = spot;
		this.problem = '';
	}

	/** Carries the choice on to another corner, where it was begun. */
	reach(spot: Spot): void {
		if (this.#anchor && this.at(spot)) this.#end = spot;
	}

	get isBegun(): boolean {
		return this.#anchor !== null;
	}

	/** Puts one number into all of them; null leaves them to the standing order. */
	putAll(pieces: number | null): void {
		void this.model.put(this.numbers.map((number) => ({ ...number, pieces })));
	}

	/** Carries the first number of each row, or of each column, over the block. */
	fill(along: 'row' | 'column'): void {
		const { block } = this;
		if (!block) return;
		void this.model.put(
			spotsOf(block).flatMap((spot): readonly WantedNumber[] => {
				const first =
					along === 'row'
						? { row: spot.row, column: block.from.column }
						: { row: block.from.row, column: spot.column };
				const [source, target] = [this.at(first), this.at(spot)];
				if (!source || !target) return [];
				return [{ ...target, pieces: this.model.pieces(source.productId, source.dropId) }];
			})
		);
	}

	/** Takes what was copied from a table; false for a single number, which the field takes itself. */
	paste(text: string, corner: Spot): boolean {
		const cells = readBlock(text);
		if (cells.length === 1 && cells[0]?.length === 1) return false;
		const { rows, columns } = this.shape();
		const from = this.block?.from ?? corner;
		const laid = laidFrom(from, cells, { rows: rows.length, columns: columns.length });
		if (!laid) {
			const wide = Math.max(...cells.map((row) => row.length));
			this.problem = `Nothing was pasted: ${cells.length} by ${wide} numbers reach beyond the grid from here.`;
			return true;
		}
		const wrong = laid.find((cell) => !readText(cell.text).ok);
		if (wrong) {
			const where = `${rows[wrong.row]?.name}, ${columns[wrong.column]?.name}`;
			this.problem = `Nothing was pasted: "${wrong.text.trim()}" for ${where} is no whole number of pieces.`;
			return true;
		}
		void this.model.put(
			laid.flatMap((cell): readonly WantedNumber[] => {
				const [number, read] = [this.at(cell), readText(cell.text)];
				return number && read.ok ? [{ ...number, pieces: read.value }] : [];
			})
		);
		this.choose(from);
		this.reach(laid.at(-1) ?? from);
		return true;
	}

	/** What is chosen, as a table takes it; null for a single number, which the field gives itself. */
	get copied(): string | null {
		const { block } = this;
		if (!block || isOne(block)) return null;
		const rows = Array.from({ length: block.to.row - block.from.row + 1 }, (_, at) => {
			const row = block.from.row + at;
			return spotsOf({
				from: { row, column: block.from.column },
				to: { row, column: block.to.column }
			});
		});
		return rows
			.map((row) =>
				row
					.map((spot) => {
						const number = this.at(spot);
						return number ? String(this.model.pieces(number.productId, number.dropId)) : '';
					})
					.join('\t')
			)
			.join('\n');
	}

	/** Takes the keys that choose and change a block. Tells whether the key was one of them. */
	takeKey(event: KeyboardEvent, spot: Spot, typed: string): boolean {
		const to = stepFrom(this.#end ?? spot, event.key);
		if (event.shiftKey && event.key !== 'Enter' && to) {
			this.reach(to);
			return true;
		}
		if (event.ctrlKey && event.key === 'Enter') {
			const read = readText(typed);
			if (read.ok) this.putAll(read.value);
			return true;
		}
		if (!this.isMany) return false;
		if (event.key === 'Delete' || event.key === 'Backspace') this.putAll(0);
		else if (event.key === 'Escape') this.choose(spot);
		else return false;
		return true;
	}
}
