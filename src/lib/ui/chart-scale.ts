/** Where values of a chart stand on it, in pixels from its corner, and the way back. */
export interface ChartScale {
	readonly width: number;
	readonly height: number;
	readonly pixelOf: (x: number, y: number) => readonly [number, number];
	readonly valueAt: (left: number, top: number) => readonly [number, number];
}
