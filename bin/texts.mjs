// Prints every text that the interface and the server can show, with where it stands: node bin/texts.mjs [PATH…]
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'svelte/compiler';
import ts from 'typescript';

/** Whether a person could read it: a word with a capital, or several words, but no class names, paths or selectors. */
const isText = (text) =>
    /\p{L}{2}/u.test(text) &&
    (/^["“(]?\p{Lu}\p{Ll}/u.test(text) || /\p{L}[.,:;!?]? \p{L}/u.test(text)) &&
    !/^(M[\d.]|[\w-]+(:|\/)[\w-]|select |update |insert |delete from|\/|#|\.|\[data|import |@)/.test(text) &&
    !/(^|\s)(flex|btn|text-|border|absolute|max-|min-|w-|h-|px-|py-|input-|select-sm|grid-cols|font-|svg|rgb)/.test(text);

function* files(path, endings) {
    if (statSync(path).isFile()) {
        if (endings.some((e) => path.endsWith(e))) yield path;
        return;
    }
    for (const name of readdirSync(path).sort()) yield* files(join(path, name), endings);
}

function* ofScript(text, line = 1) {
    const source = ts.createSourceFile('x.ts', text, ts.ScriptTarget.Latest, true);
    const found = [];
    const look = (node) => {
        const at = () => line + source.getLineAndCharacterOfPosition(node.getStart()).line;
        if (ts.isImportDeclaration(node)) return;
        if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) found.push([at(), node.text]);
        else if (ts.isTemplateExpression(node))
            found.push([at(), node.head.text + node.templateSpans.map((s) => '{…}' + s.literal.text).join('')]);
        ts.forEachChild(node, look);
    };
    look(source);
    yield* found;
}

function* ofSvelte(text) {
    const lineOf = (at) => text.slice(0, at).split('\n').length;
    const root = parse(text, { modern: true });
    for (const script of [root.instance, root.module])
        if (script) yield* ofScript(text.slice(script.content.start, script.content.end), lineOf(script.content.start));
    const found = [];
    const look = (node) => {
        if (Array.isArray(node)) return node.forEach(look);
        if (node === null || typeof node !== 'object') return;
        if (node.type === 'Text') found.push([lineOf(node.start), node.data.replace(/\s+/g, ' ').trim()]);
        else if (node.type === 'Literal' && typeof node.value === 'string') found.push([lineOf(node.start), node.value]);
        else if (node.type === 'TemplateLiteral')
            found.push([lineOf(node.start), node.quasis.map((q) => q.value.cooked).join('{…}')]);
        for (const [key, value] of Object.entries(node)) if (key !== 'parent' && key !== 'loc' && !(node.type === 'Attribute' && node.name === 'class')) look(value);
    };
    look(root.fragment);
    yield* found;
}

const paths = process.argv.length > 2 ? process.argv.slice(2) : ['core/src', 'app', 'resources/js'];
const php = execFileSync('php', ['bin/texts.php', ...paths], { encoding: 'utf8', maxBuffer: 1 << 26 });
const all = JSON.parse(php);
for (const path of paths)
    for (const file of files(path, ['.ts', '.svelte'])) {
        if (file.endsWith('contract.ts') || file.endsWith('.d.ts')) continue;
        const text = readFileSync(file, 'utf8');
        for (const [line, said] of file.endsWith('.svelte') ? ofSvelte(text) : ofScript(text)) all.push([file, line, said]);
    }
let last = '';
for (const [file, line, text] of all) {
    if (!isText(text)) continue;
    if (file !== last) console.log(`\n${(last = file)}`);
    console.log(`${String(line).padStart(5)}  ${text.replace(/\s*\n\s*/g, ' ')}`);
}
