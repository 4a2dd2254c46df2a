/** As much of a JSON Schema as is told on the screen. */
export interface Schema {
  type?: string | readonly string[];
  enum?: readonly unknown[];
  description?: string;
  required?: readonly string[];
  properties?: Readonly<Record<string, Schema>>;
}

/** What a body holds, each with whether it must be there and what it says. */
export function fieldsOf({ properties = {}, required = [] }: Schema): { name: string; must: boolean; says: string }[] {
  return Object.entries(properties).map(([name, field]) => {
    const kind = field.enum ? field.enum.map(String).join(' | ') : [field.type ?? 'text or object'].flat().join(' or ');
    const says = [kind, field.description?.replaceAll('`', '')].filter(Boolean).join('. ');
    return { name, must: required.includes(name), says };
  });
}
