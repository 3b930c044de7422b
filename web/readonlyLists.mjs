// Lists that the server sends, or is sent, are nobody's to change: the generated client's types say so, as the core's do.
import { readFileSync, writeFileSync } from 'node:fs';
import ts from 'typescript';

const file = new URL('./src/api/api.gen.ts', import.meta.url);
const text = readFileSync(file, 'utf8');
const source = ts.createSourceFile('api.gen.ts', text, ts.ScriptTarget.Latest, true);
const inserts = [];
const visit = (node) => {
  const isList = ts.isArrayTypeNode(node) || ts.isTupleTypeNode(node);
  if (isList && !(ts.isTypeOperatorNode(node.parent) && node.parent.operator === ts.SyntaxKind.ReadonlyKeyword)) {
    const within = ts.isArrayTypeNode(node.parent);
    inserts.push([node.getStart(source), within ? '(readonly ' : 'readonly '], ...(within ? [[node.getEnd(), ')']] : []));
  }
  ts.forEachChild(node, visit);
};
// Only what describes data: what the endpoints are built of stays as it is.
source.statements.filter(ts.isTypeAliasDeclaration).forEach((alias) => ts.forEachChild(alias, visit));
const [pieces, end] = inserts
  .sort(([a], [b]) => a - b)
  .reduce(([made, from], [at, word]) => [[...made, text.slice(from, at), word], at], [[], 0]);
writeFileSync(file, [...pieces, text.slice(end)].join(''));
