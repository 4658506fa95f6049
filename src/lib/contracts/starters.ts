/** The plain formulas a bakery can begin its book with. */
export const STARTERS = ['hearth', 'tin', 'wholemeal', 'levain', 'bun'] as const;
export type StarterKey = (typeof STARTERS)[number];
