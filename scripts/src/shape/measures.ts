import ts from 'typescript';
import type { Source } from './sources';

/** Something that is long or much, and where. */
export interface Found {
  readonly value: number;
  readonly where: string;
}

const NOTHING: Found = { value: 0, where: '' };
const more = (a: Found, b: Found): Found => (b.value > a.value ? b : a);

/** What is measured of the text of files. */
export interface Measures {
  /** Lines of the longest function. */
  readonly longestFunction: Found;
  /** Modules that one file imports. */
  readonly fanOut: Found;
  /** Properties that one component takes. */
  readonly props: Found;
  /** Lines over 120 signs. */
  readonly wideLines: number;
  /** "!" behind what may be nothing. */
  readonly nonNull: number;
  /** "as unknown as". */
  readonly asUnknownAs: number;
}

/** What stands in the files, read by the compiler's own parser. */
export function measuresOf(sources: readonly Source[]): Measures {
  let [longestFunction, fanOut, props] = [NOTHING, NOTHING, NOTHING];
  let [wideLines, nonNull, asUnknownAs] = [0, 0, 0];
  for (const { path, text, fanOut: out } of sources) {
    const file = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
    const lineOf = (at: number) => file.getLineAndCharacterOfPosition(at).line + 1;
    fanOut = more(fanOut, { value: out, where: path });
    wideLines += text.split('\n').filter((line) => line.length > 120).length;
    const visit = (node: ts.Node): void => {
      if (ts.isNonNullExpression(node)) nonNull++;
      if (
        ts.isAsExpression(node) &&
        ts.isAsExpression(node.expression) &&
        node.expression.type.kind === ts.SyntaxKind.UnknownKeyword
      )
        asUnknownAs++;
      if (ts.isFunctionLike(node) && 'body' in node && node.body) {
        const line = lineOf(node.getStart(file));
        const where = `${path}:${line}`;
        longestFunction = more(longestFunction, { value: lineOf(node.end) - line + 1, where });
        if (path.endsWith('.tsx')) props = more(props, { value: propsOf(node), where });
      }
      ts.forEachChild(node, visit);
    };
    visit(file);
  }
  return { longestFunction, fanOut, props, wideLines, nonNull, asUnknownAs };
}

/** How many properties a component takes: those of the type that its one parameter is written with. */
function propsOf(node: ts.SignatureDeclaration): number {
  const [first] = node.parameters;
  if (node.parameters.length !== 1 || !first?.type) return 0;
  if (ts.isTypeLiteralNode(first.type)) return first.type.members.length;
  if (!ts.isTypeReferenceNode(first.type)) return 0;
  const name = first.type.typeName.getText();
  const declared = node
    .getSourceFile()
    .statements.find((s) => ts.isInterfaceDeclaration(s) && s.name.text === name);
  return declared && ts.isInterfaceDeclaration(declared) ? declared.members.length : 0;
}
