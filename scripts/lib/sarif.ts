/** Findings as SARIF 2.1.0, which pipelines show beside a change. */
import type { AnyDocument, Finding } from '../../src/lib/documents';

const LEVELS = { error: 'error', warning: 'warning', note: 'note' } as const;

/** `path`: of the kit. Where in it a finding is stands as its logical location, as in `presets[3].timing`. */
export function sarifOf(path: string, findings: readonly Finding<AnyDocument>[]): object {
	const rules = [...new Set(findings.map(({ check }) => check))].sort();
	return {
		$schema: 'https://json.schemastore.org/sarif-2.1.0.json',
		version: '2.1.0',
		runs: [
			{
				tool: { driver: { name: 'dinesis check', rules: rules.map((id) => ({ id })) } },
				results: findings.map(({ check, level, place, sentence }) => ({
					ruleId: check,
					ruleIndex: rules.indexOf(check),
					level: LEVELS[level],
					message: { text: sentence },
					locations: [
						{
							physicalLocation: { artifactLocation: { uri: path.replace(/\\/g, '/') } },
							logicalLocations: [{ fullyQualifiedName: place }]
						}
					]
				}))
			}
		]
	};
}
