const STEPS = 1024;

/** The natural logarithm of a number of at least 1, by a series of products and sums alone: the same on every engine. */
function logarithm(value: number): number {
	let rest = value;
	let halvings = 0;
	while (rest > 1.5) {
		rest /= 2;
		halvings += 1;
	}
	const ln2 = 0.6931471805599453;
	const z = (rest - 1) / (rest + 1);
	let term = z;
	let sum = 0;
	for (let k = 1; k < 60; k += 2) {
		sum += term / k;
		term *= z * z;
	}
	return halvings * ln2 + 2 * sum;
}

/** Waiting times of an exponential law of mean 1024, at the middle of each of 1024 equal parts. */
const EXPONENTIAL = Int32Array.from({ length: STEPS }, (_, at) =>
	Math.round(logarithm(STEPS / (at + 0.5)) * 1024)
);

/**
 * How much worse a plan may be to be gone on with at a temperature, for a roll from 0 to 1023: annealing's
 * acceptance (Kirkpatrick and others, 1983) told as a threshold, from a table of whole numbers.
 */
export function worseAllowed(temperature: number, roll: number): number {
	return Math.floor((temperature * (EXPONENTIAL[roll] ?? 0)) / 1024);
}
