/** Seeded random numbers in [0, 1): mulberry32, public domain. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

type Schema = Record<string, unknown>;

/** What programs stumble over, in place of what a schema asks for. */
const odd: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1.5,
  1e308,
  9_007_199_254_740_993,
  '',
  ' ',
  '__proto__',
  'constructor',
  'toString',
  '\ud800',
  '\u0000',
  '￿',
  '../..',
  "' OR 1=1 --",
  '{remaining',
  '<b>',
  'A'.repeat(5000),
  '10%',
  [],
  [[]],
  {},
  { kind: 'gift' },
  ['10%'],
  { toString: 1 },
  { length: 5 },
];

/** Values that a JSON Schema describes, with something odd here and there. @param root where references lead */
export class FromSchema {
  constructor(
    private readonly random: () => number,
    private readonly root: Schema,
    private readonly oddness: number,
  ) {}

  pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.random() * list.length)]!;
  }

  value(schema: Schema | undefined, depth = 0, defs?: Schema): unknown {
    if (!schema || depth > 12 || this.random() < this.oddness) return this.pick(odd);
    const own = (schema.$defs as Schema | undefined) ?? defs;
    if (typeof schema.$ref === 'string') return this.value(this.resolve(schema.$ref, own), depth + 1, own);
    for (const key of ['oneOf', 'anyOf'] as const)
      if (Array.isArray(schema[key])) return this.value(this.pick(schema[key] as Schema[]), depth + 1, own);
    if ('const' in schema) return schema.const;
    if (Array.isArray(schema.enum)) return this.pick(schema.enum as unknown[]);
    switch (schema.type) {
      case 'object':
        return this.object(schema, depth, own);
      case 'array':
        return Array.from({ length: (schema.minItems as number | undefined) ?? Math.floor(this.random() * 3) }, () =>
          this.value(schema.items as Schema | undefined, depth + 1, own),
        );
      case 'integer':
      case 'number':
        return this.pick([schema.minimum ?? 0, schema.maximum ?? 1_000_000, 1, 7, 42].map(Number));
      case 'boolean':
        return this.random() < 0.5;
      case 'null':
        return null;
      default:
        return this.text(schema);
    }
  }

  private object(schema: Schema, depth: number, defs: Schema | undefined): unknown {
    const properties = (schema.properties ?? {}) as Record<string, Schema>;
    const required = new Set((schema.required ?? []) as string[]);
    const made: Record<string, unknown> = {};
    for (const [name, part] of Object.entries(properties))
      if (required.has(name) || this.random() < 0.3) made[name] = this.value(part, depth + 1, defs);
    if (typeof schema.additionalProperties === 'object')
      for (const name of ['a', 'nlbe', 'en-GB'].slice(0, Math.floor(this.random() * 3)))
        made[name] = this.value(schema.additionalProperties as Schema, depth + 1, defs);
    if (this.random() < this.oddness) made[this.pick(['extra', '__proto__', 'constructor', ''])] = this.pick(odd);
    return made;
  }

  private text({ pattern, format }: Schema): string {
    const known: [RegExp, string[]][] = [
      [/A-Z\]\{2\}-/, ['NL-NH', 'US-CA']],
      [/\[A-Z\]\{2\}\$/, ['NL', 'GB', 'CA', 'ZZ']],
      [/\[A-Z\]\{3\}\$/, ['EUR', 'JPY', 'XXX']],
      [/T\(/, ['2026-12-01T00:00', '2026-12-01T00:00Z']],
      [/0-9\]\{4\}-/, ['2026-12-01', '2026-02-31']],
      [/a-z\]\{2,3\}/, ['en-GB', 'nl', 'zz-ZZ', 'ar-EG']],
      [
        /\^\(/,
        [
          '/markets/nlbe',
          '/offers/free-delivery/on',
          '',
          '/testCarts/-',
          '/a~1b',
          '/markets/nlbe/countries/0',
          '/markets/nlbe/countries/length',
          '/zones/__proto__',
        ],
      ],
      [/a-z0-9/, ['nlbe', 'free-delivery', 'winder', 'no-such']],
    ];
    if (format === 'date-time') return '2026-12-01T00:00:00Z';
    const match = typeof pattern === 'string' ? known.find(([shape]) => shape.test(pattern)) : undefined;
    return this.pick(match ? match[1] : ['winder', '1799 ZA', 'SUN', 'text', 'é', '日本']);
  }

  private resolve(ref: string, defs: Schema | undefined): Schema | undefined {
    const name = ref.split('/').at(-1)!;
    const inDefs = defs?.[name];
    if (inDefs) return inDefs as Schema;
    return ref
      .split('/')
      .slice(1)
      .reduce<unknown>((here, step) => (here as Schema | undefined)?.[step], this.root) as Schema | undefined;
  }
}
