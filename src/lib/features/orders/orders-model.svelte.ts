import { SvelteMap } from 'svelte/reactivity';
import { sendCommand, type SendResult } from '../../client/send-command.ts';
import { MOST_PIECES } from '../../contracts/limits.ts';
import type { OrdersView } from '../../contracts/views.ts';
import type { DropId, ProductId } from '../../core/identity.ts';
import { parsePieces } from '../../core/units/index.ts';
import { parseFailureText } from '../../wording/failure-text.ts';
import { refusalText } from '../../wording/refusal-text.ts';
import { forgetUnsaved, keepUnsaved, readUnsaved } from './unsaved.ts';

/** One number of the grid: what is saved, what is typed, and how the two stand to each other. */
export interface Cell {
	readonly dropId: DropId;
	readonly productId: ProductId;
	readonly saved: number;
	readonly version: number;
	readonly text: string;
	readonly state: 'saved' | 'saving' | 'invalid' | 'unsaved' | 'conflict';
	readonly message: string;
}

interface Change {
	readonly key: string;
	readonly before: number;
	readonly after: number;
}

export function keyOf(productId: ProductId, dropId: DropId): string {
	return `${productId} ${dropId}`;
}

/** The orders of one date as they are being typed. */
export class OrdersModel {
	readonly #cells = new SvelteMap<string, Cell>();
	#undo: Change[] = $state.raw([]);
	#inFlight: Promise<void> = Promise.resolve();

	constructor(
		readonly view: OrdersView,
		private readonly nowMs: () => number
	) {
		for (const { id: productId } of view.products)
			for (const { id: dropId } of view.drops) {
				const key = keyOf(productId, dropId);
				const known = view.cells.find((one) => keyOf(one.productId, one.dropId) === key);
				const saved = known?.pieces ?? 0;
				const version = known?.version ?? 0;
				const text = saved === 0 ? '' : String(saved);
				this.#cells.set(key, {
					dropId,
					productId,
					saved,
					version,
					text,
					state: 'saved',
					message: ''
				});
			}
	}

	/** Brings back what was typed and could not be saved before the page was left. */
	restore(): void {
		for (const [key, text] of readUnsaved(this.view.date)) {
			const cell = this.#cells.get(key);
			if (cell)
				this.#put(key, {
					...cell,
					text,
					state: 'unsaved',
					message: 'Typed before, not saved yet.'
				});
		}
	}

	cell(productId: ProductId, dropId: DropId): Cell {
		return this.#cells.get(keyOf(productId, dropId)) as Cell;
	}

	/** Pieces as they stand on the screen; what cannot be read counts as it was saved. */
	pieces(productId: ProductId, dropId: DropId): number {
		const cell = this.cell(productId, dropId);
		const read = readText(cell.text);
		return read.ok ? read.value : cell.saved;
	}

	get unsaved(): readonly Cell[] {
		return [...this.#cells.values()].filter(
			(cell) => cell.state !== 'saved' && cell.state !== 'saving'
		);
	}

	get undoable(): Change | null {
		return this.#undo.at(-1) ?? null;
	}

	/** Ends when everything on its way has been answered. */
	get settled(): Promise<void> {
		return this.#inFlight;
	}

	get saving(): boolean {
		return [...this.#cells.values()].some((cell) => cell.state === 'saving');
	}

	type(productId: ProductId, dropId: DropId, text: string): void {
		const key = keyOf(productId, dropId);
		const cell = this.cell(productId, dropId);
		this.#put(key, {
			...cell,
			text,
			message: '',
			state: cell.state === 'saving' ? 'saving' : 'saved'
		});
	}

	/** Saves a cell as it is typed, or says why it cannot be. */
	commit(productId: ProductId, dropId: DropId): Promise<void> {
		const key = keyOf(productId, dropId);
		const cell = this.cell(productId, dropId);
		const read = readText(cell.text);
		if (!read.ok) {
			const message = `${parseFailureText(read.error)} Saved is ${cell.saved}.`;
			this.#put(key, { ...cell, state: 'invalid', message });
			return Promise.resolve();
		}
		if (cell.state === 'saving') return this.#inFlight;
		if (read.value === cell.saved) {
			const text = cell.saved === 0 ? '' : String(cell.saved);
			this.#put(key, { ...cell, text, state: 'saved', message: '' });
			return Promise.resolve();
		}
		return this.#send(key, cell, read.value, true);
	}

	/** Takes back the last change by a change of its own. */
	async undo(): Promise<void> {
		const last = this.#undo.at(-1);
		const cell = last && this.#cells.get(last.key);
		if (!last || !cell) return;
		this.#undo = this.#undo.slice(0, -1);
		this.#put(last.key, { ...cell, text: String(last.before) });
		await this.#send(last.key, { ...cell, text: String(last.before) }, last.before, false);
	}

	async retryAll(): Promise<void> {
		for (const cell of this.unsaved) await this.commit(cell.productId, cell.dropId);
	}

	#send(key: string, cell: Cell, pieces: number, undoable: boolean): Promise<void> {
		this.#put(key, { ...cell, state: 'saving', message: '' });
		const work = this.#request(cell, pieces).then((result) => {
			this.#answer(key, cell.saved, pieces, result, undoable);
			const after = this.#cells.get(key);
			// Typed on while the answer was on its way.
			if (after?.state === 'saved' && readText(after.text).ok && after.text !== textOf(after.saved))
				return this.commit(after.productId, after.dropId);
			return undefined;
		});
		this.#inFlight = Promise.all([this.#inFlight, work]).then(() => undefined);
		return work;
	}

	#request(cell: Cell, pieces: number): Promise<SendResult<'change-order'>> {
		return sendCommand({
			kind: 'change-order',
			occurredAtMs: Math.round(this.nowMs()),
			date: this.view.date,
			dropId: cell.dropId,
			productId: cell.productId,
			pieces,
			expectedVersion: cell.version
		});
	}

	#answer(
		key: string,
		before: number,
		pieces: number,
		result: SendResult<'change-order'>,
		undoable: boolean
	): void {
		const cell = this.#cells.get(key);
		if (!cell) return;
		if (result.outcome === 'done') {
			const { version } = result.answer;
			const typedOn = cell.text !== '' && readText(cell.text).ok && Number(cell.text) !== pieces;
			const text = typedOn ? cell.text : textOf(pieces);
			this.#put(key, { ...cell, saved: pieces, version, text, state: 'saved', message: '' });
			if (undoable) this.#undo = [...this.#undo.slice(-49), { key, before, after: pieces }];
			return;
		}
		if (result.outcome === 'not-reached') {
			const message = 'Not saved: Jovet does not answer. The number stays here.';
			this.#put(key, { ...cell, state: 'unsaved', message });
			return;
		}
		const { refusal } = result;
		const message = refusalText(refusal);
		if (refusal.kind === 'changed-meanwhile')
			this.#put(key, {
				...cell,
				saved: refusal.value,
				version: refusal.version,
				state: 'conflict',
				message: `${message} Save again to put ${pieces}, or undo your typing to keep ${refusal.value}.`
			});
		else this.#put(key, { ...cell, state: 'unsaved', message });
	}

	/** Gives up what is typed and shows what is saved. */
	discard(productId: ProductId, dropId: DropId): void {
		const cell = this.cell(productId, dropId);
		this.#put(keyOf(productId, dropId), {
			...cell,
			text: textOf(cell.saved),
			state: 'saved',
			message: ''
		});
	}

	#put(key: string, cell: Cell): void {
		this.#cells.set(key, cell);
		if (cell.state === 'saved' || cell.state === 'saving') forgetUnsaved(this.view.date, key);
		else keepUnsaved(this.view.date, key, cell.text);
	}
}

function textOf(pieces: number): string {
	return pieces === 0 ? '' : String(pieces);
}

/** An empty cell orders nothing. */
function readText(text: string) {
	return text.trim() === '' ? ({ ok: true, value: 0 } as const) : parsePieces(text, MOST_PIECES);
}
