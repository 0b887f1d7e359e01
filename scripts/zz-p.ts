import { readFileSync } from 'node:fs';
import { Parser, Language } from 'web-tree-sitter';
await Parser.init();
const lang = await Language.load(`node_modules/tree-sitter-${process.argv[2]}/tree-sitter-${process.argv[2]}.wasm`);
const p = new Parser(); p.setLanguage(lang);
const t = p.parse(readFileSync(process.argv[3]!, 'utf8'))!;
const show = (n: any, d: number, f = ''): void => { if (n.isNamed || f) console.log(' '.repeat(d) + (f ? f + ': ' : '') + n.type + (n.childCount === 0 ? ' ' + JSON.stringify(n.text) : '')); for (let i = 0; i < n.childCount; i++) show(n.child(i), d + 1, n.fieldNameForChild(i) ?? ''); };
show(t.rootNode, 0);
