import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { ROOT } from './lib/paths';

const SOURCES = join(ROOT, 'runtime/src');
const parse = (path: string): ts.SourceFile =>
	ts.createSourceFile(path, readFileSync(join(SOURCES, path), 'utf8'), ts.ScriptTarget.ES2022, true);

/** The doc comment's text right before a node; empty where there is none. */
function docOf(node: ts.Node): string {
	const [doc] = ts.getJSDocCommentsAndTags(node);
	return doc?.getText() ?? '';
}

/** What the door exports: name, whether it is a type alone, and the statement that declares it. */
function* exported(): Generator<{ name: string; isType: boolean; declared: ts.Statement }> {
	for (const line of parse('index.ts').statements) {
		if (!ts.isExportDeclaration(line) || !line.moduleSpecifier || !line.exportClause) continue;
		const path = `${(line.moduleSpecifier as ts.StringLiteral).text.slice(2)}.ts`;
		for (const { name, isTypeOnly } of (line.exportClause as ts.NamedExports).elements) {
			const declared = parse(path).statements.find((statement) => {
				if (ts.isVariableStatement(statement))
					return statement.declarationList.declarations.some((d) => d.name.getText() === name.text);
				return (statement as unknown as { name?: ts.Identifier }).name?.text === name.text;
			});
			if (!declared) throw new Error(`${path} does not declare ${name.text}.`);
			yield { name: name.text, isType: line.isTypeOnly || isTypeOnly, declared };
		}
	}
}
const isOpen = (member: ts.ClassElement): boolean =>
	!ts.isConstructorDeclaration(member) &&
	!(ts.canHaveModifiers(member) && ts.getModifiers(member)?.some((m) => m.kind === ts.SyntaxKind.PrivateKeyword));

describe('the door of the run-time', () => {
	it('shows an example with everything that a game can call', () => {
		const without: string[] = [];
		for (const { name, isType, declared } of exported()) {
			// An example is indented, and uses what it is of.
			const shows = (node: ts.Node, word: string): boolean => new RegExp(`\\* {5}.*\\b${word}\\b`).test(docOf(node));
			if (!isType && !shows(declared, name)) without.push(name);
			if (name === 'Runtime')
				for (const member of (declared as ts.ClassDeclaration).members)
					if (ts.isMethodDeclaration(member) && isOpen(member) && !shows(member, member.name.getText()))
						without.push(`Runtime.${member.name.getText()}`);
		}
		expect(without).toEqual([]);
	});

	it('says what each field of a kit and of an option means', () => {
		const folders = readdirSync(SOURCES, { withFileTypes: true }).filter((entry) => entry.isDirectory());
		const files = folders.map(({ name }) => `${name}/types.ts`).filter((path) => existsSync(join(SOURCES, path)));
		expect(files.length).toBeGreaterThan(6);
		const silent: string[] = [];
		let fields = 0;
		const look = (name: string, members: ts.NodeArray<ts.TypeElement | ts.ClassElement>): void =>
			members.forEach((member) => {
				if (ts.isClassElement(member) && !isOpen(member)) return;
				fields++;
				if (docOf(member) === '') silent.push(`${name}.${member.name?.getText()}`);
			});
		for (const path of files)
			for (const statement of parse(path).statements)
				if (ts.isInterfaceDeclaration(statement)) look(statement.name.text, statement.members);
		for (const { name, declared } of exported())
			if (ts.isInterfaceDeclaration(declared) || ts.isClassDeclaration(declared)) look(name, declared.members);
		expect(fields).toBeGreaterThan(150);
		expect(silent).toEqual([]);
	});
});
