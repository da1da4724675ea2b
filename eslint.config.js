import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

/** Folders of src/lib and what each may import of one another, one way only. */
const walls = {
	documents: [],
	analysis: [],
	course: ['documents', 'analysis'],
	formats: ['documents', 'analysis'],
	starter: ['documents', 'analysis'],
	review: ['documents', 'analysis', 'course'],
	handover: ['documents', 'analysis', 'course', 'formats', 'world'],
	ui: [],
	wire: [],
	plots: ['analysis', 'documents', 'ui'],
	viewport: ['analysis', 'documents', 'ui', 'world'],
	world: ['course', 'documents'],
	workers: ['analysis', 'course', 'documents', 'formats', 'handover', 'review', 'starter', 'world'],
	session: ['analysis', 'course', 'documents', 'review', 'wire', 'workers'],
	room: ['analysis', 'course', 'documents', 'session', 'ui', 'plots', 'viewport', 'wire', 'world'],
	stages: ['analysis', 'course', 'documents', 'formats', 'plots', 'room', 'session', 'ui', 'viewport', 'world'],
	server: ['analysis', 'documents', 'wire']
};
const rooms = [...Object.keys(walls), 'features'];

/** Folders of the run-time and what each may import: shake, bob, lag, chain and cues know each other only through the frame. */
const floors = {
	units: [],
	math: ['units'],
	random: [],
	patterns: ['units', 'math', 'random'],
	drives: ['math'],
	shake: ['units', 'math', 'random', 'patterns', 'drives'],
	bob: ['units', 'math', 'random', 'patterns', 'drives'],
	lag: ['units', 'math'],
	chain: ['units', 'math'],
	cues: ['units', 'math', 'random'],
	kit: ['units', 'math', 'patterns', 'drives', 'shake', 'bob', 'lag', 'chain', 'cues'],
	frame: ['units', 'math', 'random', 'drives', 'shake', 'bob', 'lag', 'chain', 'cues', 'kit'],
	game: ['units', 'shake', 'cues', 'kit', 'frame'],
	wire: ['units', 'random', 'shake', 'cues', 'kit', 'frame', 'game']
};

/** The tool plays and reads only through the run-time's doors. */
const doors = {
	group: [
		'**/runtime/**',
		'dinesis-runtime/*',
		'!dinesis-runtime/tools',
		'!dinesis-runtime/wire',
		'!dinesis-runtime/vectors'
	],
	message:
		'Through the door: dinesis-runtime, dinesis-runtime/tools, dinesis-runtime/wire or dinesis-runtime/vectors (docs/architecture.md).'
};

const wall = (folder, allowed) => ({
	files: [`src/lib/${folder}/**/*.{ts,svelte}`],
	rules: {
		'no-restricted-imports': [
			'error',
			{
				patterns: [
					doors,
					...rooms
						.filter((room) => room !== folder && !allowed.includes(room))
						.map((room) => ({
							group: [`$lib/${room}`, `$lib/${room}/**`, `**/../${room}`, `**/../${room}/**`],
							message: `${folder} must not know ${room}: imports go one way (docs/architecture.md).`
						}))
				]
			}
		]
	}
});

const floor = (folder, allowed) => ({
	files: [`runtime/src/${folder}/**/*.ts`],
	ignores: ['**/*.test.ts'],
	rules: {
		'no-restricted-imports': [
			'error',
			{
				patterns: [
					{ regex: '^[^.]', message: 'The run-time depends on nothing.' },
					{ group: ['../../*'], message: 'The run-time knows nothing outside its own folders.' },
					{
						group: ['**/index', '**/tools', '**/single'],
						message: 'Inside the run-time nobody goes through the doors.'
					},
					...Object.keys(floors)
						.filter((other) => other !== folder && !allowed.includes(other))
						.map((other) => ({
							group: [`../${other}`, `../${other}/**`],
							message: `${folder} must not know ${other}: imports go one way (docs/architecture.md).`
						}))
				]
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
	{ files: ['**/*.test.ts', 'e2e/**', 'runtime/porting/**'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
	{
		files: ['src/routes/**/*.{ts,svelte}', 'src/*.ts', 'scripts/**/*.ts', 'bench/**/*.ts', 'e2e/**/*.ts'],
		rules: { 'no-restricted-imports': ['error', { patterns: [doors] }] }
	},
	...Object.entries(walls).map(([folder, allowed]) => wall(folder, allowed)),
	// What an analysis or a document is good for is tried on what comes from a file or out of a course.
	{
		files: ['src/lib/{analysis,documents,review}/**/*.test.ts'],
		rules: { 'no-restricted-imports': ['error', { patterns: [doors] }] }
	},
	...Object.entries(floors).map(([folder, allowed]) => floor(folder, allowed)),
	// A test may stand a thing in its frame; nothing of the run-time knows the tool.
	{
		files: ['runtime/**/*.test.ts', 'runtime/vectors/*.ts'],
		rules: {
			'no-restricted-imports': [
				'error',
				{
					patterns: [
						{ group: ['$lib/**', '**/lib/**', 'dinesis-runtime'], message: 'The run-time knows nothing of the tool.' }
					]
				}
			]
		}
	},
	{
		files: ['src/lib/features/**/*.{ts,svelte}'],
		rules: {
			'no-restricted-imports': [
				'error',
				{
					patterns: [
						doors,
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
		files: ['src/lib/{documents,analysis,course,formats}/**/*.ts', 'runtime/**/*.ts'],
		ignores: ['**/*.test.ts', 'runtime/porting/**'],
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
