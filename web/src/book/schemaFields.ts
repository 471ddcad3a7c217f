interface Schema {
  description?: string;
  type?: string | string[];
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  anyOf?: Schema[];
}

/** The fields of a JSON Schema in a flat list: their path, what they mean, and whether they may be left out. */
export function fieldsOf(schema: unknown, prefix = '', depth = 0): { name: string; text: string; optional: boolean }[] {
  const { properties = {}, required = [] } = (schema ?? {}) as Schema;
  return Object.entries(properties).flatMap(([key, field]) => {
    const inner = field.properties ? field : (field.items ?? {});
    const name = `${prefix}${key}`;
    return [
      { name, text: field.description ?? '', optional: !required.includes(key) },
      ...(depth < 2 && inner.properties
        ? fieldsOf(inner, field.properties ? `${name}.` : `${name}[].`, depth + 1)
        : []),
    ];
  });
}
