import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { PROJECT } from '../../scripts/parts/places.mjs';

/** An address of the application, with its parameters in brackets, as the folders of its routes say. */
export interface Route {
	readonly address: string;
	/** What a browser shows; everything else is a door for programs. */
	readonly isPage: boolean;
}

/** Every route there is: one that is added is found here by itself. */
export function routesOfApplication(): readonly Route[] {
	const root = path.join(PROJECT, 'src', 'routes');
	const folders = readdirSync(root, { recursive: true, encoding: 'utf8', withFileTypes: true })
		.filter((entry) => entry.isDirectory())
		.map((entry) => path.join(entry.parentPath, entry.name));
	return [root, ...folders].flatMap((folder) => {
		const isPage =
			existsSync(path.join(folder, '+page.svelte')) ||
			existsSync(path.join(folder, '+page.server.ts'));
		const isDoor = existsSync(path.join(folder, '+server.ts'));
		const address = `/${path.relative(root, folder).split(path.sep).join('/')}`;
		return isPage || isDoor ? [{ address, isPage }] : [];
	});
}

/** An address with something in the place of each parameter. */
export function filled(address: string, valueOf: (parameter: string) => string): string {
	return address.replace(/\[\[?([^\]]+)\]\]?/g, (_, parameter: string) =>
		encodeURIComponent(valueOf(parameter))
	);
}
