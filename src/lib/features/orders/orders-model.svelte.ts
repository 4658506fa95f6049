import { SvelteMap } from 'svelte/reactivity';
import { EditSteps } from '../../client/edit-steps.svelte.ts';
import type { Retries } from '../../client/retries.ts';
import type { DropId, ProductId } from '../../core/identity.ts';
import { parseFailureText } from '../../wording/failure-text.ts';
import {
	byKey,
	keyOf,
	readText,
	textOf,
	type Cell,
	type Change,
	type SavedNumber,
	type WantedNumber
} from './number-cell.ts';
import type { Saved, SaveNumbers, TakeBack } from './save-numbers.ts';
import { UnsavedNumbers } from './unsaved.ts';

/** What the grid is made of: the rows, the columns and the numbers there are. */
export interface NumbersView {
	readonly products: readonly { readonly id: ProductId }[];
	readonly drops: readonly { readonly id: DropId }[];
	readonly cells: readonly SavedNumber[];
}

/** A number on its way: what it shall be, and what it was. */
interface OnItsWay {
	readonly key: string;
	readonly cell: Cell;
	readonly pieces: number | null;
}

/** Numbers of products and drops as they are being typed. */
export class OrdersModel {
	readonly #cells = new SvelteMap<string, Cell>();
	readonly #steps = new EditSteps<readonly Change[]>();
	/** By what name a step was told, where it is taken back by that. */
	readonly #told = new WeakMap<readonly Change[], string>();
	readonly #unsaved: UnsavedNumbers;
	readonly #again = () => this.#sendAway();
	#inFlight: Promise<void> = Promise.resolve();
	/** What there is to say of the last step back or forth. */
	message = $state('');

	constructor(
		view: NumbersView,
		/** What the numbers are for; what is not saved is kept under it. */
		keptAs: string,
		private readonly save: SaveNumbers,
		private readonly retries: Retries,
		/** How an entry is taken back whose numbers do not say all that has to be put again; null where they do. */
		private readonly takeBack: TakeBack | null = null
	) {
		this.#unsaved = new UnsavedNumbers(keptAs);
		this.update(view);
	}

	/** Takes what the server says now; what is being typed here stays as it is. */
	update(view: NumbersView): void {
		const lines = byKey(view.cells);
		for (const { id: productId } of view.products)
			for (const { id: dropId } of view.drops) {
				const key = keyOf({ productId, dropId });
				const line = lines.get(key) ?? NOTHING;
				const cell = this.#cells.get(key);
				// An answer that is on its way, or came since, knows better than a page that was read before it.
				const untouched = cell?.state === 'saved' && cell.text === textOf(cell.saved);
				if (cell && (!untouched || cell.version > line.version)) continue;
				const { pieces: saved, standing, typed, version } = line;
				if (cell?.version === version && cell.saved === saved && cell.standing === standing)
					continue;
				this.#cells.set(key, {
					dropId,
					productId,
					saved,
					standing,
					typed,
					version,
					text: textOf(saved),
					state: 'saved',
					message: ''
				});
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
		return this.#cells.get(keyOf({ productId, dropId })) as Cell;
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

	/** The entry that would be taken back: one number, or a block of them. */
	get undoable(): readonly Change[] | null {
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
		const cell = this.cell(productId, dropId);
		this.#put(keyOf(cell), {
			...cell,
			text,
			message: '',
			state: cell.state === 'saving' ? 'saving' : 'saved'
		});
	}

	/** Saves a cell as it is typed, or says why it cannot be. */
	commit(productId: ProductId, dropId: DropId): Promise<void> {
		const cell = this.cell(productId, dropId);
		const key = keyOf(cell);
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
		return this.#send([{ key, cell, pieces: read.value }], true);
	}

	/** Puts many numbers as one entry: all of them are saved, or none. Those that are on their way or stand so are left. */
	put(wanted: readonly WantedNumber[]): Promise<void> {
		const moved = wanted.flatMap(({ productId, dropId, pieces }): OnItsWay[] => {
			const cell = this.cell(productId, dropId);
			const stands = pieces === null ? !cell.typed : cell.saved === pieces;
			if (cell.state === 'saving' || (stands && cell.text === textOf(cell.saved))) return [];
			const text = textOf(pieces ?? cell.standing);
			return [{ key: keyOf(cell), cell: { ...cell, text }, pieces }];
		});
		return moved.length === 0 ? Promise.resolve() : this.#send(moved, true);
	}

	/** Takes back the last entry by one of its own, once what is on its way has been answered. */
	async undo(): Promise<void> {
		await this.#inFlight;
		const step = this.#steps.last;
		if (!step) return;
		if (!this.#canStep(step, 'after')) {
			this.#steps.drop();
			return;
		}
		const toldAs = this.#told.get(step);
		if (this.takeBack && toldAs !== undefined) {
			const { takeBack } = this;
			this.#steps.drop();
			await this.#stepTo(step, 'before', (numbers) => takeBack(toldAs, numbers));
			return;
		}
		this.#steps.back();
		await this.#stepTo(step, 'before');
	}

	/** Does again what was taken back. */
	async redo(): Promise<void> {
		await this.#inFlight;
		const step = this.#steps.next;
		if (!step || !this.#canStep(step, 'before')) return;
		this.#steps.forth();
		await this.#stepTo(step, 'after');
	}

	async retryAll(): Promise<void> {
		for (const cell of this.unsaved) await this.commit(cell.productId, cell.dropId);
	}

	/** Gives up what is typed and shows what is saved. */
	discard(productId: ProductId, dropId: DropId): void {
		const cell = this.cell(productId, dropId);
		this.#put(keyOf(cell), { ...cell, text: textOf(cell.saved), state: 'saved', message: '' });
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
	#canStep(step: readonly Change[], from: 'before' | 'after'): boolean {
		const can = step.every((change) => {
			const cell = this.#cells.get(change.key);
			return cell?.state === 'saved' && cell.saved === change[from].pieces;
		});
		this.message = can
			? ''
			: step.length === 1
				? 'That number was changed since, so the step is not taken. Type what it shall be.'
				: 'One of those numbers was changed since, so the step is not taken.';
		return can;
	}

	async #stepTo(
		step: readonly Change[],
		to: 'before' | 'after',
		save: SaveNumbers = this.save
	): Promise<void> {
		const moved = step.flatMap((change): OnItsWay[] => {
			const cell = this.#cells.get(change.key);
			const { pieces, typed } = change[to];
			if (!cell) return [];
			const text = textOf(pieces);
			return [{ key: change.key, cell: { ...cell, text }, pieces: typed ? pieces : null }];
		});
		await this.#send(moved, false, save);
	}

	#send(
		moved: readonly OnItsWay[],
		undoable: boolean,
		save: SaveNumbers = this.save
	): Promise<void> {
		for (const { key, cell } of moved) this.#put(key, { ...cell, state: 'saving', message: '' });
		const numbers = moved.map(({ cell, pieces }) => ({
			dropId: cell.dropId,
			productId: cell.productId,
			pieces,
			expectedVersion: cell.version
		}));
		const work = save(numbers).then((saved) => {
			this.#answer(moved, saved, undoable);
			// Typed on while the answer was on its way.
			const typedOn = moved.flatMap(({ key }) => {
				const after = this.#cells.get(key);
				const isTyped = after?.state === 'saved' && after.text !== textOf(after.saved);
				return isTyped && readText(after.text).ok ? [after] : [];
			});
			return Promise.all(
				typedOn.map(({ productId, dropId }) => this.commit(productId, dropId))
			).then(() => undefined);
		});
		this.#inFlight = Promise.all([this.#inFlight, work]).then(() => undefined);
		return work;
	}

	#answer(moved: readonly OnItsWay[], saved: Saved, undoable: boolean): void {
		if (saved.outcome === 'done') {
			this.#saved(moved, undoable, () => undefined, saved.toldAs);
			return;
		}
		if (saved.outcome === 'stale') {
			const stale = byKey(saved.lines);
			// What was sent before had arrived after all, or somebody else meant the same.
			const meantSame = ({ key, cell, pieces }: OnItsWay) =>
				stale.get(key)?.value === (pieces ?? cell.standing);
			if (moved.every(meantSame)) {
				this.#saved(moved, undoable, (key) => stale.get(key)?.version);
				return;
			}
			for (const { key } of moved) {
				const cell = this.#cells.get(key);
				if (!cell) continue;
				const line = stale.get(key);
				const mine = cell.text === '' ? '0' : cell.text;
				this.#put(
					key,
					line
						? {
								...cell,
								saved: line.value,
								version: line.version,
								state: 'conflict',
								message: `${line.by} changed this to ${line.value} meanwhile. Save again to put ${mine}, or undo your typing to keep ${line.value}.`
							}
						: {
								...cell,
								state: 'refused',
								message: 'Not saved, since others of the block were not.'
							}
				);
			}
			return;
		}
		const { message } = saved;
		const state = saved.outcome === 'not-reached' ? 'away' : 'refused';
		for (const { key } of moved) {
			const cell = this.#cells.get(key);
			if (cell) this.#put(key, { ...cell, state, message });
		}
		if (state === 'away') this.retries.add(this.#again);
	}

	#saved(
		moved: readonly OnItsWay[],
		undoable: boolean,
		versionOf: (key: string) => number | undefined,
		toldAs?: string
	): void {
		const changes = moved.flatMap(({ key, cell: sent, pieces }): Change[] => {
			const cell = this.#cells.get(key);
			if (!cell) return [];
			const now = { pieces: pieces ?? cell.standing, typed: pieces !== null };
			const typedOn = cell.text !== sent.text && readText(cell.text).ok;
			this.#put(key, {
				...cell,
				saved: now.pieces,
				typed: now.typed,
				version: versionOf(key) ?? sent.version + 1,
				text: typedOn ? cell.text : textOf(now.pieces),
				state: 'saved',
				message: ''
			});
			return [{ key, before: { pieces: sent.saved, typed: sent.typed }, after: now }];
		});
		if (!undoable || (this.takeBack && toldAs === undefined)) return;
		this.#steps.push(changes);
		if (toldAs !== undefined) this.#told.set(changes, toldAs);
	}

	#put(key: string, cell: Cell): void {
		this.#cells.set(key, cell);
		// On its way it is kept too: the page may be left before the answer.
		if (cell.state === 'saved') this.#unsaved.forget(key);
		else this.#unsaved.keep(key, cell.text, cell.version);
	}
}

/** What stands where nothing was ordered yet. */
const NOTHING = { pieces: 0, standing: 0, typed: false, version: 0 };
