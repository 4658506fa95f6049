/**
 * Branded identities: an id of one kind of thing cannot be passed where another kind is wanted.
 * They are plain strings at run time, so that they cross borders unchanged.
 */
export type Id<Brand extends string> = string & { readonly __brand: Brand };

export type IngredientId = Id<'ingredient'>;
export type PreparationId = Id<'preparation'>;
export type FormulaId = Id<'formula'>;
export type ProductId = Id<'product'>;
export type DropId = Id<'drop'>;
/** A named place of the bakery: bins, a warm corner, a fridge, a cold room. */
export type PlaceId = Id<'place'>;
export type DeliveryId = Id<'delivery'>;
/** One thing that was made, or is planned to be: a mix, a pre-ferment, a load. It never changes. */
export type BatchId = Id<'batch'>;

export function id<T extends Id<string>>(value: string): T {
	return value as T;
}
