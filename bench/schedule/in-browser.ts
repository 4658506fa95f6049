import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import puppeteer from 'puppeteer-core';
import { build, preview } from 'vite';
import { browserOptions } from '../../scripts/parts/browser.mjs';
import type { EngineInBrowser } from './browser/page.ts';

/** What a page with the engine is asked: the name of what it can do, and with what. */
export type Ask = <K extends keyof EngineInBrowser>(
	name: K,
	...args: Parameters<EngineInBrowser[K]>
) => Promise<Awaited<ReturnType<EngineInBrowser[K]>>>;

/** Builds a page with the engine and its worker as the application's are built, and opens it in a browser. */
export async function withEngineInBrowser<T>(
	chromium: string,
	work: (ask: Ask) => Promise<T>
): Promise<T> {
	const folder = mkdtempSync(path.join(os.tmpdir(), 'jovet-engine-'));
	const files = {
		configFile: false,
		root: fileURLToPath(new URL('./browser/', import.meta.url)),
		logLevel: 'error',
		worker: { format: 'es' },
		build: { outDir: path.join(folder, 'site'), emptyOutDir: true }
	} as const;
	try {
		await build(files);
		const site = await preview({ ...files, preview: { host: '127.0.0.1', port: 0 } });
		const browser = await puppeteer.launch({
			...browserOptions(chromium, path.join(folder, 'browser')),
			protocolTimeout: 300_000
		});
		try {
			const page = await browser.newPage();
			await page.goto(site.resolvedUrls?.local[0] ?? '');
			await page.waitForFunction('"engine" in window');
			return await work(
				(name, ...args) =>
					page.evaluate(
						(name, args) =>
							(
								window as unknown as { engine: Record<string, (...args: unknown[]) => never> }
							).engine[name]?.(...args),
						name,
						args as unknown[]
					) as never
			);
		} finally {
			await browser.close();
			await site.close();
		}
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}
