// Makes resources/js/contract.ts out of docs/openapi.json. With --check it only says whether it is as it should be.
import { readFileSync, writeFileSync } from 'node:fs';
import { compile } from 'json-schema-to-typescript';
import * as prettier from 'prettier';

const AT = 'resources/js/contract.ts';
const BANNER = '/* What goes over the wire, made by `npm run contract` out of docs/openapi.json. Do not change it by hand. */';
const api = JSON.parse(readFileSync('docs/openapi.json', 'utf8'));

/** JSON Schema as the generator reads it: lists with a meaning for each place in the form of draft 7. */
function older(schema) {
    if (Array.isArray(schema)) return schema.map(older);
    if (schema === null || typeof schema !== 'object') return schema;
    const out = {};
    for (const [key, value] of Object.entries(schema)) {
        if (key === '$ref') out[key] = value.replace('#/components/schemas/', '#/definitions/');
        else if (key === 'prefixItems') out.items = older(value);
        else if (key === 'items' && schema.prefixItems) out.additionalItems = false;
        // Long lists of one length would be written out.
        else if ((key === 'minItems' || key === 'maxItems') && !schema.prefixItems) continue;
        else out[key] = older(value);
    }
    if (Object.keys(schema).every((key) => key === 'description')) out.tsType = 'unknown';
    if (schema.prefixItems) out.maxItems = schema.prefixItems.length;
    return out;
}

const definitions = older(api.components.schemas);
const json = (content) => content?.['application/json']?.schema;
const endpoints = {};
for (const [path, methods] of Object.entries(api.paths))
    for (const [method, { summary, requestBody, responses }] of Object.entries(methods)) {
        const [, done] = Object.entries(responses).find(([status]) => status !== 'default');
        const answer = json(done.content);
        const properties = {
            answer: answer ? older(answer) : { tsType: 'undefined' },
            body: json(requestBody?.content) ? older(json(requestBody.content)) : { tsType: 'undefined' },
        };
        endpoints[`${method.toUpperCase()} ${path.replace('/api/', '')}`] = {
            description: summary, type: 'object', properties, required: Object.keys(properties), additionalProperties: false,
        };
    }
const texts = new Set(
    Object.values(api.paths).flatMap((methods) => Object.values(methods)).flatMap(({ parameters }) => parameters ?? [])
        .filter((p) => p.in === 'path' && p.schema.type === 'string').map((p) => p.name),
);
definitions.TextInPath = { enum: [...texts], description: 'What stands in the braces of a path is the number of something, but for these.' };
definitions.Endpoints = { type: 'object', properties: endpoints, required: Object.keys(endpoints), additionalProperties: false };

const named = Object.fromEntries(Object.keys(definitions).map((name) => [name, { $ref: `#/definitions/${name}` }]));
const schema = { title: 'Contract', type: 'object', properties: named, additionalProperties: false, definitions };
const made = await compile(schema, 'Contract', { bannerComment: BANNER, additionalProperties: false, format: false, ignoreMinAndMaxItems: false });
const columns = Object.entries(api.components.schemas).filter(([, s]) => s['x-columns'])
    .map(([name, s]) => `/** The places of ${name}. */\nexport const ${name.replace('Row', '').toUpperCase()}_COLUMNS = ${JSON.stringify(s['x-columns'])} as const;\n`);
const constants = Object.entries(api['x-constants']).map(([name, value]) => `export const ${name} = ${JSON.stringify(value)} as const;\n`);
// Whoever looks for a shape takes it by its own name.
const text = await prettier.format(made.replace(/export interface Contract \{[\s\S]*?\n\}\n/, '') + columns.join('') + '/** Numbers and names of the core. */\n' + constants.join(''), { ...(await prettier.resolveConfig(AT)), filepath: AT });

if (process.argv.includes('--check')) {
    if (readFileSync(AT, 'utf8') !== text) {
        console.error(`${AT} does not say what docs/openapi.json does. Run: npm run contract`);
        process.exit(1);
    }
} else writeFileSync(AT, text);
