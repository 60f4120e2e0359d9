// Makes the TypeScript types of everything that crosses from the JSON Schemas that the core writes.
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { compile } from 'json-schema-to-typescript';

const schemas = JSON.parse(execFileSync('php', ['artisan', 'brookstone:schemas'], { encoding: 'utf8', maxBuffer: 64 << 20 }));
const LEFT_OUT = ['maxItems', 'minItems', '$schema']; // lengths would become tuples
const shared = {};

/** Moves every titled part of a schema to one place, so that each becomes one named type. */
function hoist(node, isRoot) {
    if (Array.isArray(node)) return node.map((each) => hoist(each, false));
    if (node === null || typeof node !== 'object') return node;
    if (node.type === undefined && node.description === 'Any value') return { tsType: 'unknown' };
    const kept = Object.entries(node).filter(([key]) => !LEFT_OUT.includes(key));
    const result = Object.fromEntries(kept.map(([key, value]) => [key, hoist(value, false)]));
    if (result.properties) result.required = Object.keys(result.properties); // what the core gives out is always complete
    if (isRoot || typeof node.title !== 'string') return result;
    const nullable = Array.isArray(result.type) && result.type.includes('null');
    const plain = nullable ? { ...result, type: result.type.find((type) => type !== 'null') } : result;
    shared[node.title] ??= plain;
    const reference = { $ref: `#/$defs/${node.title}` };
    return nullable ? { anyOf: [reference, { type: 'null' }] } : reference;
}

const roots = Object.entries(schemas).map(([name, schema]) => [name, hoist(schema, true)]);
const definitions = { ...shared };
for (const [name, schema] of roots) {
    Object.assign(definitions, schema.$defs ?? {});
    definitions[name] = { ...schema, $defs: undefined, title: name };
}
const all = {
    title: 'Everything',
    type: 'object',
    properties: Object.fromEntries(roots.map(([name]) => [name, { $ref: `#/$defs/${name}` }])),
    required: roots.map(([name]) => name),
    additionalProperties: false,
    $defs: definitions,
};
const banner = '// Made by bin/support/types.mjs from the schemas of the core. Do not edit.\n';
writeFileSync('resources/js/api/types.gen.ts', await compile(all, 'Everything', { bannerComment: banner, additionalProperties: false, format: false }));
