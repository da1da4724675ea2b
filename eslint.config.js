import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

/** Folders of src/lib and what each may import, one way only. */
const walls = {
	core: [],
	ui: [],
	plots: ['core', 'plots', 'ui'],
	viewport: ['core', 'ui', 'viewport', 'world'],
	world: ['core', 'world'],
	session: ['core', 'session', 'workers'],
	room: ['core', 'session', 'ui', 'plots', 'viewport', 'world'],
	stages: ['core', 'plots', 'session', 'stages', 'ui', 'world'],
	workers: ['core', 'workers'],
	server: ['core', 'server']
};
const rooms = [
	'core',
	'ui',
	'plots',
	'viewport',
	'session',
	'workers',
	'server',
	'stages',
	'room',
	'world',
	'features'
];

const wall = (folder, allowed) => ({
	files: [`src/lib/${folder}/**/*.{ts,svelte}`],
	rules: {
		'no-restricted-imports': [
			'error',
			{
				patterns: rooms
					.filter((room) => room !== folder && !allowed.includes(room))
					.map((room) => ({
						group: [`$lib/${room}`, `$lib/${room}/**`, `**/../${room}`, `**/../${room}/**`],
						message: `${folder} must not know ${room}: imports go one way (docs/architecture.md).`
					}))
			}
		]
	}
});

export default ts.config(
	{ ignores: ['build/', 'packed/', '.svelte-kit/', '.data/', 'node_modules/', 'static/', 'test-results/'] },
	...ts.configs.recommended,
	...svelte.configs.recommended,
	{
		languageOptions: { globals: { ...globals.browser, ...globals.node } },
		rules: {
			'no-undef': 'off',
			'svelte/no-navigation-without-resolve': 'off',
			'@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
			'svelte/prefer-svelte-reactivity': 'off',
			'svelte/no-dom-manipulating': 'off'
		}
	},
	{ files: ['**/*.svelte', '**/*.svelte.ts'], languageOptions: { parserOptions: { parser: ts.parser } } },
	{ files: ['**/*.test.ts', 'e2e/**'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
	...Object.entries(walls).map(([folder, allowed]) => wall(folder, allowed)),
	{
		files: ['src/lib/features/**/*.{ts,svelte}'],
		rules: {
			'no-restricted-imports': [
				'error',
				{
					patterns: [
						{
							group: ['$lib/server', '$lib/server/**', '$lib/features/**', '../*/**'],
							message: 'A room knows neither the server nor another room.'
						}
					]
				}
			]
		}
	},
	{
		files: ['src/lib/core/**/*.ts', 'runtime/**/*.ts'],
		ignores: ['**/*.test.ts'],
		rules: {
			'no-restricted-globals': [
				'error',
				'window',
				'document',
				'performance',
				'Date',
				'process',
				'setTimeout',
				'fetch',
				'navigator'
			],
			'no-restricted-properties': [
				'error',
				...[
					'sin',
					'cos',
					'tan',
					'asin',
					'acos',
					'atan',
					'atan2',
					'sinh',
					'cosh',
					'tanh',
					'exp',
					'expm1',
					'log',
					'log2',
					'log10',
					'log1p',
					'pow',
					'cbrt',
					'hypot',
					'random'
				].map((property) => ({
					object: 'Math',
					property,
					message:
						'Differs between engines (or is chance): the core has its own, see math/scalar.ts and random/hash.ts.'
				}))
			],
			'no-restricted-syntax': [
				'error',
				{ selector: 'BinaryExpression[operator="**"]', message: 'Differs between engines: multiply, or use exp2.' }
			]
		}
	}
);
