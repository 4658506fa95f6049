/** What a thermometer of the bakery can say of room, flour, water and dough. */
export const READING_LIMITS = { least: { celsius: -25 }, most: { celsius: 60 } } as const;
/** What is stirred can be a scald, hotter than any dough. */
export const STIRRED_LIMITS = { least: { celsius: -25 }, most: { celsius: 105 } } as const;
/** A base is a sum of three readings. */
export const BASE_LIMITS = { least: { celsius: 0 }, most: { celsius: 120 } } as const;
/** What water can go in at; ice counts as the water it stands for. */
export const WATER_LIMITS = { least: { celsius: -80 }, most: { celsius: 100 } } as const;
/** Pieces of one product for one drop; more than this is a typing error. */
export const MOST_PIECES = 9999;
/** Numbers of orders that are set at once; a bakery of 60 products and 30 drops has 1800 of them. */
export const MOST_ORDER_LINES = 4000;
/** No batch of a bakery is heavier than this, in grams. */
export const MOST_BATCH_GRAMS = 5_000_000;
/** More of one ingredient than any bakery keeps. */
export const MOST_STOCK_GRAMS = 100_000_000;
/** In more batches than this no pre-ferment of a date is made. */
export const MOST_BATCHES = 6;
/** How much earlier a mix may be wished for. */
export const MOST_LEAD_MINUTES = 480;

/** A picture is made small before it is sent: no more characters than this, as base64 (some 200 kB). */
export const MOST_PICTURE_CHARACTERS = 280_000;

/** How far ahead something at the bench can be put off (our default: a shift). */
export const MOST_PUT_OFF_MINUTES = 12 * 60;

/** What a probe reads of a deck's stone or of bread in the oven. */
export const DECK_LIMITS = { least: { celsius: -25 }, most: { celsius: 400 } } as const;
