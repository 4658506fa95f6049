// Compiles what is in kernel/ into the module that the search of schedules runs.
import { main } from 'assemblyscript/asc';

/**
 * The compiled kernel in base 64; throws what the compiler says where it does not compile.
 * @returns {Promise<string>}
 */
export async function compiledKernel() {
	/** @type {Uint8Array | null} */
	let made = null;
	const { error, stderr } = await main(
		[
			'kernel/index.ts',
			'--outFile=kernel.wasm',
			'-O3',
			'--noAssert',
			'--runtime=stub',
			'--enable=simd',
			// The memory is given by whoever runs it; nothing of its own lies there.
			'--importMemory',
			'--initialMemory=1'
		],
		{
			writeFile: (name, contents) => {
				if (name.endsWith('.wasm')) made = /** @type {Uint8Array} */ (contents);
			}
		}
	);
	if (error || !made) throw new Error(`The kernel does not compile: ${stderr.toString()}`);
	return Buffer.from(made).toString('base64');
}
