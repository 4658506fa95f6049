// What is used of WebAssembly and of reading base 64: both only compute, and browsers and Node.js have both. The core is checked
// without the types of either, so they are told here.

export interface Memory {
	readonly buffer: ArrayBuffer;
}

/** A compiled module, to be made ready with a memory. */
export interface Code {
	readonly compiled: true;
}

declare const WebAssembly: {
	readonly Memory: new (size: { readonly initial: number }) => Memory;
	readonly Module: new (bytes: Uint8Array) => Code;
	readonly Instance: new (
		code: Code,
		given: { readonly env: { readonly memory: Memory } }
	) => { readonly exports: unknown };
};
declare function atob(text: string): string;

/** A memory of so many bytes, or a few more. */
export function memoryOf(bytes: number): Memory {
	return new WebAssembly.Memory({ initial: Math.ceil(bytes / 65_536) });
}

/** Compiles a module that is given in base 64. */
export function codeOf(base64: string): Code {
	const text = atob(base64);
	const bytes = new Uint8Array(text.length);
	for (let at = 0; at < bytes.length; at += 1) bytes[at] = text.charCodeAt(at);
	return new WebAssembly.Module(bytes);
}

/** What a module exports, over a memory. */
export function exportsOf(code: Code, memory: Memory): unknown {
	return new WebAssembly.Instance(code, { env: { memory } }).exports;
}
