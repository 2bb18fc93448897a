import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { parameters } from './parameters';

interface Schema {
  properties?: Record<string, unknown>;
  enum?: string[];
}

const description = JSON.parse(readFileSync(new URL('../../api/openapi.json', import.meta.url), 'utf8')) as {
  components: { schemas: Record<string, Schema> };
};
const schemas = description.components.schemas;
const nameOf = (kind: string) => `ScoringProtocol${kind.charAt(0).toUpperCase()}${kind.slice(1)}`;

describe('the parameters of every way to score', () => {
  const kinds = Object.keys(parameters) as (keyof typeof parameters)[];

  it('are all known', () => {
    const described = Object.keys(schemas).filter((name) => /^ScoringProtocol[A-Z]/.test(name));
    expect(kinds.map(nameOf).sort()).toEqual(described.sort());
  });

  // Holes are set on the bench, not among the parameters of a drill.
  it.each(kinds.filter((kind) => kind !== 'playedHoles'))('of %s can all be written', (kind) => {
    // Where each club aims is filled in from the ground, and the other clubs of an aim check from the bag.
    const properties = Object.keys(schemas[nameOf(kind)]?.properties ?? {}).filter(
      (name) => !['kind', 'aims', 'aimClubs', 'aimWith'].includes(name),
    );
    expect(Object.keys(parameters[kind]).sort()).toEqual(properties.sort());
  });

  it('begin with something sound in every row that is added', () => {
    for (const kind of kinds)
      for (const field of Object.values(parameters[kind]))
        if (field.is === 'rows') expect(Object.keys(field.fresh).sort()).toEqual(Object.keys(field.row).sort());
  });
});
