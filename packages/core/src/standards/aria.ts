/** WAI-ARIA 1.2, "States and Properties": what each attribute may hold. Checked against the package aria-query in the tests. */
export type AriaType =
  'true/false' | 'true/false/undefined' | 'tristate' | 'id' | 'ids' | 'integer' | 'number' | 'string' | readonly string[];

export const ARIA_ATTRIBUTES: Readonly<Record<string, AriaType>> = {
  'aria-activedescendant': 'id',
  'aria-atomic': 'true/false',
  'aria-autocomplete': ['inline', 'list', 'both', 'none'],
  'aria-braillelabel': 'string',
  'aria-brailleroledescription': 'string',
  'aria-busy': 'true/false',
  'aria-checked': 'tristate',
  'aria-colcount': 'integer',
  'aria-colindex': 'integer',
  'aria-colindextext': 'string',
  'aria-colspan': 'integer',
  'aria-controls': 'ids',
  'aria-current': ['page', 'step', 'location', 'date', 'time', 'true', 'false'],
  'aria-describedby': 'ids',
  'aria-description': 'string',
  'aria-details': 'ids',
  'aria-disabled': 'true/false',
  'aria-dropeffect': 'string',
  'aria-errormessage': 'ids',
  'aria-expanded': 'true/false/undefined',
  'aria-flowto': 'ids',
  'aria-grabbed': 'true/false/undefined',
  'aria-haspopup': ['false', 'true', 'menu', 'listbox', 'tree', 'grid', 'dialog'],
  'aria-hidden': 'true/false/undefined',
  'aria-invalid': ['grammar', 'false', 'spelling', 'true'],
  'aria-keyshortcuts': 'string',
  'aria-label': 'string',
  'aria-labelledby': 'ids',
  'aria-level': 'integer',
  'aria-live': ['assertive', 'off', 'polite'],
  'aria-modal': 'true/false',
  'aria-multiline': 'true/false',
  'aria-multiselectable': 'true/false',
  'aria-orientation': ['vertical', 'undefined', 'horizontal'],
  'aria-owns': 'ids',
  'aria-placeholder': 'string',
  'aria-posinset': 'integer',
  'aria-pressed': 'tristate',
  'aria-readonly': 'true/false',
  'aria-relevant': 'string',
  'aria-required': 'true/false',
  'aria-roledescription': 'string',
  'aria-rowcount': 'integer',
  'aria-rowindex': 'integer',
  'aria-rowindextext': 'string',
  'aria-rowspan': 'integer',
  'aria-selected': 'true/false/undefined',
  'aria-setsize': 'integer',
  'aria-sort': ['ascending', 'descending', 'none', 'other'],
  'aria-valuemax': 'number',
  'aria-valuemin': 'number',
  'aria-valuenow': 'number',
  'aria-valuetext': 'string',
};

/** Attributes a role cannot do without (WAI-ARIA 1.2, "Required States and Properties"). */
export const REQUIRED_BY_ROLE: Readonly<Record<string, readonly string[]>> = {
  checkbox: ['aria-checked'],
  combobox: ['aria-expanded'],
  heading: ['aria-level'],
  menuitemcheckbox: ['aria-checked'],
  menuitemradio: ['aria-checked'],
  meter: ['aria-valuenow'],
  radio: ['aria-checked'],
  scrollbar: ['aria-controls', 'aria-valuenow'],
  slider: ['aria-valuenow'],
  switch: ['aria-checked'],
};

/** What a role has to stand in (WAI-ARIA 1.2, "Required Accessibility Parent Role"). */
export const CONTEXT_OF_ROLE: Readonly<Record<string, readonly string[]>> = {
  cell: ['row'],
  columnheader: ['row'],
  gridcell: ['row'],
  listitem: ['list', 'directory'],
  menuitem: ['group', 'menu', 'menubar'],
  menuitemcheckbox: ['group', 'menu', 'menubar'],
  menuitemradio: ['group', 'menu', 'menubar'],
  option: ['group', 'listbox', 'combobox'],
  row: ['grid', 'rowgroup', 'table', 'treegrid'],
  rowgroup: ['grid', 'table', 'treegrid'],
  rowheader: ['row', 'rowgroup'],
  treeitem: ['group', 'tree'],
};

/** What a role has to hold (WAI-ARIA 1.2, "Allowed Accessibility Child Roles", where it makes no sense without). */
export const PARTS_OF_ROLE: Readonly<Record<string, readonly string[]>> = {
  list: ['listitem'],
  listbox: ['option', 'group'],
  menu: ['menuitem', 'menuitemradio', 'menuitemcheckbox', 'group'],
  menubar: ['menuitem', 'menuitemradio', 'menuitemcheckbox', 'group'],
  radiogroup: ['radio'],
  row: ['cell', 'columnheader', 'gridcell', 'rowheader'],
  rowgroup: ['row'],
  table: ['row', 'rowgroup'],
  grid: ['row', 'rowgroup'],
  tree: ['treeitem', 'group'],
  treegrid: ['row', 'rowgroup'],
};

/**
 * Roles that must be named (WAI-ARIA 1.2, "Accessible Name Required"); headings, links, buttons, images, cells and regions have rules of
 * their own.
 */
export const NAMED_ROLES: ReadonlySet<string> = new Set(
  (
    'alertdialog application checkbox combobox dialog listbox menuitem menuitemcheckbox menuitemradio meter option progressbar radio ' +
    'radiogroup searchbox slider spinbutton switch textbox tooltip tree treegrid treeitem grid'
  ).split(' '),
);

/** Roles that may not be named (WAI-ARIA 1.2, "Roles which cannot be named"). */
export const UNNAMED_ROLES: ReadonlySet<string> = new Set(
  'caption code deletion emphasis generic insertion none paragraph presentation strong subscript superscript'.split(' '),
);

/**
 * Roles whose parts are told as one piece (WAI-ARIA 1.2, "Children Presentational: True"), links with them (HTML, content model of `a`).
 */
export const WHOLE_ROLES: ReadonlySet<string> = new Set(
  'button checkbox link menuitemcheckbox menuitemradio option radio switch tab'.split(' '),
);

/** Whether a value is one the attribute may hold. An empty value counts as not given. */
export function ariaValueHolds(type: AriaType, value: string): boolean {
  const text = value.trim().toLowerCase();
  if (text === '') return true;
  switch (type) {
    case 'true/false':
      return text === 'true' || text === 'false';
    case 'true/false/undefined':
      return text === 'true' || text === 'false' || text === 'undefined';
    case 'tristate':
      return ['true', 'false', 'mixed', 'undefined'].includes(text);
    case 'integer':
      return /^-?\d+$/.test(text);
    case 'number':
      return /^-?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?$/.test(text);
    case 'id':
    case 'ids':
    case 'string':
      return true;
    default:
      return type.includes(text);
  }
}
