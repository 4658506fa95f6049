/** How high a row with a ribbon and its marks is, in pixels. */
export const RIBBON_HEIGHT = 44;
