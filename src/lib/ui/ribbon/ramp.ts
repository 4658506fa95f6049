/** The ramp from cold to ember: colour stands for temperature and for nothing else. */
const STOPS: readonly (readonly [celsius: number, red: number, green: number, blue: number])[] = [
	[2, 0x1d, 0x2b, 0x5e],
	[12, 0x3f, 0x62, 0x96],
	[20, 0x8d, 0x7f, 0x92],
	[25, 0xdd, 0x8a, 0x52],
	[31, 0xff, 0xd2, 0x7a]
];

/** The colour of a temperature; beyond the ends of the ramp it stays at the end. */
export function colourOf(celsius: number): string {
	const first = STOPS[0]!;
	const last = STOPS[STOPS.length - 1]!;
	if (celsius <= first[0]) return hex(first[1], first[2], first[3]);
	for (let index = 1; index < STOPS.length; index += 1) {
		const from = STOPS[index - 1]!;
		const to = STOPS[index]!;
		if (celsius > to[0]) continue;
		const share = (celsius - from[0]) / (to[0] - from[0]);
		const mix = (a: number, b: number) => a + (b - a) * share;
		return hex(mix(from[1], to[1]), mix(from[2], to[2]), mix(from[3], to[3]));
	}
	return hex(last[1], last[2], last[3]);
}

/** The temperatures at the two ends, for a legend. */
export const RAMP_ENDS = { cold: STOPS[0]![0], ember: STOPS[STOPS.length - 1]![0] } as const;

/** Temperatures at which the ramp bends, for gradients that must not cut corners. */
export const RAMP_STOPS: readonly number[] = STOPS.map(([celsius]) => celsius);

function hex(red: number, green: number, blue: number): string {
	return `#${[red, green, blue].map((part) => Math.round(part).toString(16).padStart(2, '0')).join('')}`;
}

/** A colour as it looks when it lies on white with less than its full strength, 0 to 1. */
export function onWhite(colour: string, strength: number): string {
	const [red = 0, green = 0, blue = 0] = partsOf(colour).map(
		(part) => 0xff + (part - 0xff) * strength
	);
	return hex(red, green, blue);
}

/** Relative luminance of a colour of the ramp, 0 to 1 (WCAG 2.2 definition). */
export function luminanceOf(colour: string): number {
	const [red = 0, green = 0, blue = 0] = partsOf(colour).map((whole) => {
		const part = whole / 255;
		return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
	});
	return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

function partsOf(colour: string): readonly number[] {
	return [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));
}
