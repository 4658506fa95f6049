import type { Layers } from '../core/formula/index.ts';

/** Layers are told as books and as many bakers count them, and which is which. */
export function layersText({ fat, dough, atTheBench }: Layers): string {
	const of = (count: number) => (count === 1 ? '1 layer' : `${count} layers`);
	return `${of(fat)} of fat and ${dough} of dough, as books count them (dough on dough is one); ${atTheBench} in all, as many count at the bench`;
}
