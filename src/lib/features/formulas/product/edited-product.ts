import type { z } from 'zod';
import type { ProductDetailView } from '../../../contracts/book-views.ts';
import { id, type ProductId } from '../../../core/identity.ts';
import type { Retries } from '../../../client/retries.ts';
import { Edited } from '../../../fields/edited.ts';
import type { keptProduct } from '../kept-schemas.ts';

export type EditedProduct = Edited<z.infer<typeof keptProduct>>;

/** A product as it is being edited; a new one keeps its identity while it is being written. */
export function editProduct(view: ProductDetailView, retries: Retries): EditedProduct {
	const { product, revision } = view;
	return new Edited(
		{
			productId: product?.id ?? id<ProductId>(crypto.randomUUID()),
			expectedRevision: revision,
			name: product?.name ?? '',
			doughs: (product?.doughs ?? []).map((dough) => ({
				formulaId: dough.formulaId,
				scaledGrams: dough.scaledWeight.grams
			})),
			extras: (product?.extras ?? []).map((extra) => ({
				use: extra.use,
				material: extra.material,
				grams: extra.amount.grams,
				forPieces: extra.forPieces
			})),
			bakedGrams: view.bakedGrams,
			bakeLossShare: view.bakeLossShare,
			sparesShare: view.sparesShare,
			shape: view.shape,
			score: view.score,
			scoreMm: view.scoreMm,
			vesselId: view.vesselId,
			dividerId: view.dividerId,
			footprint: view.footprint ? { ...view.footprint } : null,
			heightCm: view.heightCm,
			piecesPerDeck: view.piecesPerDeck,
			sheet: view.sheet ? { ...view.sheet } : null,
			spacingCm: view.spacingCm,
			steps: [...view.steps]
		},
		`jovet.product.unsaved.${product?.id ?? 'new'}.${revision}`,
		async () => (await import('../kept-schemas.ts')).keptProduct,
		retries
	);
}
