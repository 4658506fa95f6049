import { MOST_PIECES } from '../../contracts/limits.ts';
import type { DropId, ProductId } from '../../core/identity.ts';
import { parsePieces } from '../../core/units/index.ts';

/** A number of the grid as it is saved. */
export interface SavedNumber {
	readonly dropId: DropId;
	readonly productId: ProductId;
	readonly pieces: number;
	/** What the standing order asks for; 0 where there is none. */
	readonly standing: number;
	/** It was typed, and does not follow a standing order. */
	readonly typed: boolean;
	readonly version: number;
}

/** One number of the grid: what is saved, what is typed, and how the two stand to each other. */
export interface Cell extends Omit<SavedNumber, 'pieces'> {
	readonly saved: number;
	readonly text: string;
	/** "away" waits for an answer and is sent again by itself; the others wait for the baker. */
	readonly state: 'saved' | 'saving' | 'away' | 'invalid' | 'refused' | 'conflict';
	readonly message: string;
}

/** A number as it shall be; null leaves it to the standing order. */
export interface WantedNumber {
	readonly dropId: DropId;
	readonly productId: ProductId;
	readonly pieces: number | null;
}

/** One number before and after a change, as it can be put again. */
export interface Change {
	readonly key: string;
	readonly before: { readonly pieces: number; readonly typed: boolean };
	readonly after: { readonly pieces: number; readonly typed: boolean };
}

export function keyOf(of: { readonly productId: ProductId; readonly dropId: DropId }): string {
	return `${of.productId} ${of.dropId}`;
}

/** Numbers, or what is said of them, by their product and drop. */
export function byKey<Row extends { readonly productId: string; readonly dropId: string }>(
	rows: readonly Row[]
): ReadonlyMap<string, Row> {
	return new Map(rows.map((row) => [`${row.productId} ${row.dropId}`, row]));
}

export function textOf(pieces: number): string {
	return pieces === 0 ? '' : String(pieces);
}

/** An empty cell orders nothing. */
export function readText(text: string) {
	return text.trim() === '' ? ({ ok: true, value: 0 } as const) : parsePieces(text, MOST_PIECES);
}
