import { SvelteMap } from 'svelte/reactivity';
import { EditSteps } from '../../client/edit-steps.svelte.ts';
import type { Retries } from '../../client/retries.ts';
import { sendCommand, type SendResult } from '../../client/send-command.ts';
import { MOST_PIECES } from '../../contracts/limits.ts';
import type { OrdersView } from '../../contracts/views.ts';
import type { DropId, ProductId } from '../../core/identity.ts';
import { parsePieces } from '../../core/units/index.ts';
import { parseFailureText } from '../../wording/failure-text.ts';
import { outcomeProblem } from '../../wording/outcome-text.ts';
import { UnsavedNumbers } from './unsaved.ts';

/** One number of the grid: what is saved, what is typed, and how the two stand to each other. */
export interface Cell {
	readonly dropId: DropId;
	readonly productId: ProductId;
	readonly saved: number;
	readonly version: number;
	readonly text: string;
	/** "away" waits for an answer and is sent again by itself; the others wait for the baker. */
	readonly state: 'saved' | 'saving' | 'away' | 'invalid' | 'refused' | 'conflict';
	readonly message: string;
}

export interface Change {
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
	readonly #steps = new EditSteps<Change>();
	readonly #unsaved: UnsavedNumbers;
	readonly #again = () => this.#sendAway();
	#view: OrdersView = $state.raw() as OrdersView;
	#inFlight: Promise<void> = Promise.resolve();
	/** What there is to say of the last step back or forth. */
	message = $state('');

	constructor(
		view: OrdersView,
		private readonly nowMs: () => number,
		private readonly retries: Retries
	) {
		this.#unsaved = new UnsavedNumbers(view.date);
		this.update(view);
	}

	get view(): OrdersView {
		return this.#view;
	}

	/** Takes what the server says now; what is being typed here stays as it is. */
	update(view: OrdersView): void {
		this.#view = view;
		for (const { id: productId } of view.products)
			for (const { id: dropId } of view.drops) {
				const key = keyOf(productId, dropId);
				const line = view.cells.find((cell) => keyOf(cell.productId, cell.dropId) === key);
				const { pieces: saved, version } = line ?? { pieces: 0, version: 0 };
				const cell = this.#cells.get(key);
				// An answer that is on its way, or came since, knows better than a page that was read before it.
				const untouched = cell?.state === 'saved' && cell.text === textOf(cell.saved);
				if (cell && (!untouched || cell.version >= version)) continue;
				const text = textOf(saved);
				const state = 'saved';
				this.#cells.set(key, { dropId, productId, saved, version, text, state, message: '' });
			}
	}

	/** Brings back what was typed and could not be saved before the page was left, and sends it. */
	async restore(): Promise<void> {
		for (const [key, { text, version }] of await this.#unsaved.read()) {
			const cell = this.#cells.get(key);
			if (cell?.state !== 'saved') continue;
			// Over the version it was typed on: what somebody else saved since is told, not overwritten.
			this.#put(key, { ...cell, text, version, state: 'away', message: 'Typed before.' });
		}
		if (this.#away.length > 0) void this.#sendAway();
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

	/** The change that would be taken back. */
	get undoable(): Change | null {
		return this.#steps.last;
	}

	get canUndo(): boolean {
		return this.#steps.last !== null;
	}

	get canRedo(): boolean {
		return this.#steps.next !== null;
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
			this.#put(key, { ...cell, text: textOf(cell.saved), state: 'saved', message: '' });
			return Promise.resolve();
		}
		return this.#send(key, cell, read.value, true);
	}

	/** Takes back the last change by a change of its own, once what is on its way has been answered. */
	async undo(): Promise<void> {
		await this.#inFlight;
		const step = this.#steps.last;
		if (!step) return;
		if (!this.#canStep(step.key, step.after)) {
			this.#steps.drop();
			return;
		}
		this.#steps.back();
		await this.#stepTo(step.key, step.before);
	}

	/** Does again what was taken back. */
	async redo(): Promise<void> {
		await this.#inFlight;
		const step = this.#steps.next;
		if (!step || !this.#canStep(step.key, step.before)) return;
		this.#steps.forth();
		await this.#stepTo(step.key, step.after);
	}

	async retryAll(): Promise<void> {
		for (const cell of this.unsaved) await this.commit(cell.productId, cell.dropId);
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

	get #away(): readonly Cell[] {
		return [...this.#cells.values()].filter((cell) => cell.state === 'away');
	}

	/** Sends what found no answer; true when nothing waits for one any more. */
	async #sendAway(): Promise<boolean> {
		for (const cell of this.#away) {
			await this.commit(cell.productId, cell.dropId);
			if (this.cell(cell.productId, cell.dropId).state === 'away') return false;
		}
		return true;
	}

	/** A number that somebody else changed since is not stepped over. */
	#canStep(key: string, expected: number): boolean {
		const cell = this.#cells.get(key);
		const can = cell?.state === 'saved' && cell.saved === expected;
		this.message = can
			? ''
			: 'That number was changed since, so the step is not taken. Type what it shall be.';
		return can;
	}

	async #stepTo(key: string, pieces: number): Promise<void> {
		const cell = this.#cells.get(key);
		if (!cell) return;
		const text = textOf(pieces);
		this.#put(key, { ...cell, text });
		await this.#send(key, { ...cell, text }, pieces, false);
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
		const saved = (version: number) => {
			const typedOn = cell.text !== '' && readText(cell.text).ok && Number(cell.text) !== pieces;
			const text = typedOn ? cell.text : textOf(pieces);
			this.#put(key, { ...cell, saved: pieces, version, text, state: 'saved', message: '' });
			if (undoable) this.#steps.push({ key, before, after: pieces });
		};
		if (result.outcome === 'done') {
			saved(result.answer.version);
			return;
		}
		const message = outcomeProblem(result);
		if (result.outcome === 'not-reached') {
			this.#put(key, { ...cell, state: 'away', message });
			this.retries.add(this.#again);
			return;
		}
		const { refusal } = result;
		if (refusal.kind !== 'changed-meanwhile')
			this.#put(key, { ...cell, state: 'refused', message });
		// What was sent before had arrived after all, or somebody else meant the same.
		else if (refusal.value === pieces) saved(refusal.version);
		else
			this.#put(key, {
				...cell,
				saved: refusal.value,
				version: refusal.version,
				state: 'conflict',
				message: `${message} Save again to put ${pieces}, or undo your typing to keep ${refusal.value}.`
			});
	}

	#put(key: string, cell: Cell): void {
		this.#cells.set(key, cell);
		// On its way it is kept too: the page may be left before the answer.
		if (cell.state === 'saved') this.#unsaved.forget(key);
		else this.#unsaved.keep(key, cell.text, cell.version);
	}
}

function textOf(pieces: number): string {
	return pieces === 0 ? '' : String(pieces);
}

/** An empty cell orders nothing. */
function readText(text: string) {
	return text.trim() === '' ? ({ ok: true, value: 0 } as const) : parsePieces(text, MOST_PIECES);
}
