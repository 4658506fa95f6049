import type { Row, ShortRow } from './row.ts';
import { memoryOf, type Memory } from './web-assembly.ts';

/** What a call tells beside its answer lies at the very beginning. */
const TOLD_BYTES = 64;

/** Rows begin at multiples of this, and a call may read so much beyond one's end. */
const ALIGNED = 16;

/** The bytes that a row takes. */
export function bytesOf(length: number, size: 2 | 4): number {
	return (Math.ceil((length * size) / ALIGNED) + 1) * ALIGNED;
}

/** Room for rows, which are taken one by one and given back all at once. */
export class KernelMemory {
	protected readonly memory: Memory;
	/** What the last call told. */
	protected readonly told: Int32Array;
	private readonly buffer: ArrayBuffer;
	private used = TOLD_BYTES;

	/** With room for rows of so many bytes (`bytesOf`) together. */
	constructor(bytes: number) {
		this.memory = memoryOf(TOLD_BYTES + bytes);
		this.buffer = this.memory.buffer;
		this.told = new Int32Array(this.buffer, 0, 2);
	}

	/** A row of so many zeros. Throws where the room that was asked for is used up: a bug. */
	row(length: number): Row {
		return new Int32Array(this.buffer, this.take(bytesOf(length, 4)), length) as Row;
	}

	/** The same, of short numbers. */
	shortRow(length: number): ShortRow {
		return new Int16Array(this.buffer, this.take(bytesOf(length, 2)), length) as ShortRow;
	}

	/** How many bytes rows can take together. */
	get room(): number {
		return this.buffer.byteLength - TOLD_BYTES;
	}

	/** How many bytes of that are rows by now. */
	get taken(): number {
		return this.used - TOLD_BYTES;
	}

	/** Takes all rows back: they must not be read any more. */
	clear(): void {
		new Uint8Array(this.buffer, 0, this.used).fill(0);
		this.used = TOLD_BYTES;
	}

	private take(bytes: number): number {
		const at = this.used;
		if (at + bytes > this.buffer.byteLength)
			throw new Error(`a kernel with room for ${this.room} bytes has none for another row`);
		this.used = at + bytes;
		return at;
	}
}
