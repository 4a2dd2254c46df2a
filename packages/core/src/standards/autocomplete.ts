/**
 * Autofill field names that ask about the user (HTML Living Standard, "Autofill"; WCAG 2.2, "Input Purposes for User Interface
 * Components").
 */
export const AUTOFILL = new Set(
  (
    'name honorific-prefix given-name additional-name family-name honorific-suffix nickname username new-password current-password one-time-code organization-title organization street-address address-line1 address-line2 address-line3 address-level4 ' +
    'address-level3 address-level2 address-level1 country country-name postal-code cc-name cc-given-name cc-additional-name cc-family-name cc-number cc-exp cc-exp-month cc-exp-year cc-csc cc-type transaction-currency transaction-amount language bday bday-day ' +
    'bday-month bday-year sex url photo tel tel-country-code tel-national tel-area-code tel-local tel-local-prefix tel-local-suffix tel-extension email impp webauthn'
  ).split(' '),
);

/**
 * Whether the tokens of an autocomplete value are in the standard's order: section, shipping or billing, kind of contact, field, webauthn.
 */
export function autocompleteHolds(value: string): boolean {
  const tokens = value.trim().toLowerCase().split(/\s+/);
  if (tokens.length === 1 && (tokens[0] === 'on' || tokens[0] === 'off' || tokens[0] === '')) return true;
  if (tokens[0]?.startsWith('section-')) tokens.shift();
  if (tokens[0] === 'shipping' || tokens[0] === 'billing') tokens.shift();
  const contact = ['home', 'work', 'mobile', 'fax', 'pager'].includes(tokens[0] ?? '') ? tokens.shift() : undefined;
  if (tokens.at(-1) === 'webauthn' && tokens.length > 1) tokens.pop();
  return tokens.length === 1 && AUTOFILL.has(tokens[0]!) && (contact === undefined || /^(?:tel|email|impp)/.test(tokens[0]!));
}

/** Labels of fields about the user, and what they ask for; whole labels only, so that “name of the boat” asks for no name. */
const ASKED: readonly (readonly [RegExp, string])[] = [
  [/^(?:your |full |my )*name$/, 'name'],
  [/^(?:your )?(?:first|given) name$|^vorname$|^prénom$|^nombre$|^voornaam$|^nome$/, 'given-name'],
  [/^(?:your )?(?:last|family) name$|^surname$|^nachname$|^apellidos?$|^achternaam$|^cognome$|^apelido$/, 'family-name'],
  [
    /^(?:your )?e-?mail(?: address)?$|^e-?mail-adresse$|^adresse e-?mail$|^correo(?: electrónico)?$|^e-mailadres$|^indirizzo e-?mail$/,
    'email',
  ],
  [
    /^(?:your )?(?:tele)?phone(?: number)?$|^mobile(?: number)?$|^telefon(?:nummer)?$|^téléphone$|^teléfono$|^telefoon(?:nummer)?$|^telefono$|^telefone$/,
    'tel',
  ],
  [/^(?:your )?post ?code$|^zip(?: code)?$|^postal code$|^postleitzahl$|^plz$|^code postal$|^código postal$|^cap$/, 'postal-code'],
  [/^(?:your )?street(?: address)?$|^address line 1$|^straße$|^rue$|^calle$|^straat$|^via$/, 'street-address'],
  [/^(?:your )?(?:town|city)$|^ort$|^stadt$|^ville$|^ciudad$|^plaats$|^città$|^cidade$/, 'address-level2'],
  [/^(?:your )?country$|^land$|^pays$|^país$|^paese$/, 'country-name'],
  [/^(?:your )?(?:date of birth|birthday|birth date)$|^geburtsdatum$|^date de naissance$|^fecha de nacimiento$/, 'bday'],
  [/^user ?name$|^benutzername$|^nom d[’']utilisateur$/, 'username'],
];

/** What a field whose label is this asks of the user; null when it does not plainly ask about them. */
export function purposeOf(label: string): string | null {
  const text = label
    .toLowerCase()
    .replace(/\(.*?\)|[*:]/g, '')
    .replace(/\s+/g, ' ')
    .trim();
  return ASKED.find(([pattern]) => pattern.test(text))?.[1] ?? null;
}
