import type { FormulaId, PreparationId, ProductId } from '../identity.ts';

/** What a task belongs to: a pre-ferment or another preparation, a mix, a portion of a mix, or one load of a portion. */
export type BatchRef =
	| {
			readonly kind: 'preparation';
			readonly preparationId: PreparationId;
			readonly ordinal: number;
	  }
	| { readonly kind: 'mix'; readonly formulaId: FormulaId; readonly ordinal: number }
	| {
			readonly kind: 'portion';
			readonly formulaId: FormulaId;
			readonly ordinal: number;
			readonly productId: ProductId;
	  }
	| {
			readonly kind: 'load';
			readonly formulaId: FormulaId;
			readonly ordinal: number;
			readonly productId: ProductId;
			readonly load: number;
			readonly loads: number;
			readonly pieces: number;
	  };

/** The name of a batch that stays the same from one plan of a date to the next. */
export function batchKey(batch: BatchRef): string {
	switch (batch.kind) {
		case 'preparation':
			return `preparation:${batch.preparationId}:${batch.ordinal}`;
		case 'mix':
			return `mix:${batch.formulaId}:${batch.ordinal}`;
		case 'portion':
			return `portion:${batch.formulaId}:${batch.ordinal}:${batch.productId}`;
		case 'load':
			return `load:${batch.formulaId}:${batch.ordinal}:${batch.productId}:${batch.load}`;
	}
}
