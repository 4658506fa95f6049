// npm run kernel: compiles kernel/ into the code that the search of schedules runs.
import { writeFileSync } from 'node:fs';
import { compiledKernel } from './parts/compile-kernel.mjs';

writeFileSync(
	'src/lib/core/schedule/kernel/kernel-code.ts',
	`/** kernel/ as \`npm run kernel\` compiled it: a WebAssembly module in base 64. */
export const KERNEL_CODE =
	'${await compiledKernel()}';
`
);
