/** What Dinesis runs with: every package that is there at run time, with its version, its licence, and why. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths';

/** Why each package stands in `dependencies`, and those of `devDependencies` whose code goes into the page that is built. */
const WHY: Readonly<Record<string, string>> = {
	'@dimforge/rapier3d-compat': 'physics of the stand-in game’s grounds (WebAssembly, in the page)',
	'@floating-ui/dom': 'places menus and pickers beside what opened them (page)',
	'@fontsource-variable/bricolage-grotesque': 'the headings’ typeface, shipped with the page',
	'@fontsource-variable/hanken-grotesk': 'the text’s typeface, shipped with the page',
	'@gltf-transform/core': 'writes glTF (page and command line)',
	'@lucide/svelte': 'icons (page)',
	'@sveltejs/kit': 'routes, loading and endpoints (page and server)',
	'@tanstack/svelte-table': 'rows that are sorted, of head bobs and lags (page)',
	'chart.js': 'charts (page)',
	'chartjs-plugin-annotation': 'areas and lines that are marked on a chart (page)',
	comlink: 'calls to the workers (page)',
	'd3-selection': 'what d3-zoom is put on (page)',
	'd3-zoom': 'maps that are moved by drag, wheel and two fingers (page)',
	dequal: 'whether two documents are alike (page, server)',
	'dinesis-runtime': 'the motion itself: our own workspace',
	'fft.js': 'spectra (page)',
	'fractional-indexing': 'keys of an order in which two people may put things at once (page, server)',
	idb: 'what was measured, kept in the browser (page)',
	immer: 'changes as reversible patches (page)',
	minisearch: 'the Library’s search (page)',
	'p-queue': 'one measuring at a time, the urgent first (page)',
	papaparse: 'CSV (page and command line)',
	pg: 'talks to PostgreSQL',
	pino: 'the server’s log',
	sequelize: 'tables as classes, queries, transactions',
	stemmer: 'words by their stems, for the search (page)',
	svelte: 'components (page)',
	'svelte-dnd-action': 'lists that are put in order by hand (page)',
	three: 'the moving picture (page)',
	tinykeys: 'shortcuts (page)',
	tsx: 'runs the scripts’ TypeScript',
	umzug: 'migrations in their order',
	virtua: 'long lists drawn as far as they are seen (page)',
	ws: 'WebSockets, between the tool and running games (server)',
	yup: 'checks what people type and send'
};

/** Only for making, testing and looking over. */
const ONLY_TO_BUILD = [
	/^@types\//,
	/^@playwright\//,
	/^@axe-core\//,
	/^@testing-library\//,
	/eslint/,
	/prettier/,
	/vite/,
	/vitest/,
	/typescript/,
	/^(ajv|fake-indexeddb|fast-check|gltf-validator|globals|jsdom|svelte-check|@sveltejs\/adapter-node)$/
];

interface Manifest {
	readonly version?: string;
	readonly license?: string;
	readonly dependencies?: Readonly<Record<string, string>>;
	readonly devDependencies?: Readonly<Record<string, string>>;
}
const manifestOf = (folder: string): Manifest =>
	JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as Manifest;

/** Packages that come along with ours, and theirs. */
function alongWith(names: readonly string[]): Map<string, Manifest> {
	const found = new Map<string, Manifest>();
	const visit = (name: string, from: string): void => {
		for (let folder = from; ; folder = join(folder, '..')) {
			const place = join(folder, 'node_modules', name);
			if (existsSync(join(place, 'package.json'))) {
				const manifest = manifestOf(place);
				const key = `${name} ${manifest.version}`;
				if (found.has(key)) return;
				found.set(key, manifest);
				for (const inner of Object.keys(manifest.dependencies ?? {})) visit(inner, place);
				return;
			}
			// An optional one that this machine has no need of.
			if (folder === ROOT || folder === '/') return;
		}
	};
	for (const name of names) visit(name, ROOT);
	return found;
}

/** The page `docs/dependencies.md`. Throws an Error that names a package nobody said the reason of. */
export function dependenciesPage(): string {
	const own = manifestOf(ROOT);
	const server = Object.keys(own.dependencies ?? {});
	const page = Object.keys(own.devDependencies ?? {}).filter(
		(name) => !ONLY_TO_BUILD.some((pattern) => pattern.test(name))
	);
	const silent = [...server, ...page].filter((name) => !WHY[name]);
	if (silent.length > 0) throw new Error(`scripts/lib/dependencies.ts does not say why there is ${silent.join(', ')}.`);
	const row = (name: string): string => {
		const { version, license } = manifestOf(join(ROOT, 'node_modules', name));
		return `| ${name} | ${version} | ${license} | ${WHY[name]} |`;
	};
	const direct = new Set([...server, ...page]);
	const others = [...alongWith(server)]
		.filter(([key]) => !direct.has(key.split(' ')[0]!))
		.sort(([a], [b]) => (a < b ? -1 : 1))
		.map(([key, { license }]) => `| ${key.replace(' ', ' | ')} | ${license ?? 'see its files'} |`);
	const table = (head: string, rows: readonly string[]): string =>
		[`| ${head} |`, `| ${head.replace(/[^|]+/g, ' --- ').trim()} |`, ...rows].join('\n');
	return `# What Dinesis runs with

Written by \`npx tsx scripts/dependencies.ts\`; a test sees that it is true. PostgreSQL comes from Debian’s packages.

## Server and command line

${table('package | version | licence | why', server.sort().map(row))}

## In the page

Built into the scripts, styles and fonts that the server sends; nothing is fetched from elsewhere.

${table('package | version | licence | why', page.sort().map(row))}

## What the first come with

${table('package | version | licence', others)}
`;
}
