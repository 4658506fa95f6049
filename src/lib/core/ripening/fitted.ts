import { BeyondModel } from '../fermentation/index.ts';

/** What is found by a model; null where none fits. */
export function fitted<T>(work: () => T): T | null {
	try {
		return work();
	} catch (error) {
		if (error instanceof BeyondModel) return null;
		throw error;
	}
}
