import type { Explained } from './explained.ts';

/**
 * Works an explained number out from its leaves as a reader with a pencil would, by arithmetic of its own:
 * what is tested must not check itself.
 */
export function byHand(explained: Explained): number {
	if (explained.kind === 'given') return explained.value;
	const [first = NaN, ...others] = explained.inputs.map(byHand);
	const second = others[0] ?? NaN;
	let result = first;
	switch (explained.operation) {
		case 'sum':
			for (const other of others) result += other;
			return result;
		case 'difference':
			for (const other of others) result -= other;
			return result;
		case 'product':
			for (const other of others) result *= other;
			return result;
		case 'quotient':
			for (const other of others) result /= other;
			return result;
		case 'percent':
			return first * (second / 100);
		case 'per-percent':
			return first / (second / 100);
		case 'largest':
			for (const other of others) if (other > result) result = other;
			return result;
	}
}
