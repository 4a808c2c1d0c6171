/** What someone may do with a project. `own`: people, archive, bin and deletion. */
export type Wish = 'read' | 'pack' | 'edit' | 'own';
export type Role = 'host' | 'helper';

/** What each role may do; the one place that says it. */
export const MAY: Readonly<Record<Role, ReadonlySet<Wish>>> = {
  host: new Set(['read', 'pack', 'edit', 'own']),
  helper: new Set(['read', 'pack']),
};

/**
 * Who may use a route: anyone; whoever holds a secret link; whoever is signed in; the keeper of the installation; or whoever
 * may do that with the project in the address.
 */
export type Need = 'anyone' | 'link' | 'account' | 'keeper' | Wish;

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH';

const P = '/api/projects/[project]';

/** Every route and who may use it. The guard in `http.route` reads it, and so does its test; what is not here is refused. */
export const ROUTES: Readonly<Record<string, Need>> = {
  'GET /api/health': 'anyone',
  'POST /api/first-run': 'anyone',
  'POST /api/sign-in': 'anyone',
  'POST /api/sign-out': 'anyone',
  'POST /api/reset': 'link',
  'POST /api/join': 'link',
  'GET /api/m/[token]': 'link',
  'POST /api/m/[token]/events': 'link',
  'GET /api/m/[token]/finished': 'link',
  'POST /api/m/[token]/finished': 'link',
  'GET /api/m/[token]/finished/[photo]': 'link',
  'GET /api/m/[token]/photos/[photo]': 'link',
  'POST /api/m/[token]/practice': 'link',
  'GET /api/m/[token]/words': 'link',
  'POST /api/m/[token]/words': 'link',
  'GET /api/m/[token]/words/[word]': 'link',
  'GET /api/feed/[token]': 'link',
  'POST /api/off/[token]': 'link',
  'GET /api/papers': 'account',
  'PATCH /api/account': 'account',
  'POST /api/account': 'account',
  'POST /api/letters': 'keeper',
  'POST /api/projects': 'account',
  'POST /api/projects/import': 'account',
  'POST /api/projects/sample': 'account',
  [`PATCH ${P}`]: 'edit',
  [`POST ${P}/state`]: 'own',
  [`GET ${P}/people`]: 'own',
  [`POST ${P}/people`]: 'own',
  [`PATCH ${P}/people`]: 'own',
  [`POST ${P}/again`]: 'edit',
  [`GET ${P}/badges`]: 'read',
  [`GET ${P}/bags/print`]: 'read',
  [`POST ${P}/bags/print`]: 'edit',
  [`PATCH ${P}/basting`]: 'edit',
  [`POST ${P}/blocks`]: 'edit',
  [`PATCH ${P}/blocks/[block]`]: 'edit',
  [`GET ${P}/blocks/[block]/document`]: 'read',
  [`PUT ${P}/blocks/[block]/document`]: 'edit',
  [`GET ${P}/blocks/[block]/export`]: 'read',
  [`GET ${P}/blocks/[block]/print`]: 'read',
  [`POST ${P}/blocks/[block]/photos`]: 'edit',
  [`POST ${P}/blocks/[block]/version`]: 'edit',
  [`GET ${P}/calendar`]: 'read',
  [`PUT ${P}/calendar`]: 'edit',
  [`POST ${P}/calendar/feed`]: 'edit',
  [`POST ${P}/calendar/holidays`]: 'edit',
  [`POST ${P}/calendar/level`]: 'edit',
  [`PATCH ${P}/cloths`]: 'edit',
  [`PUT ${P}/cloths`]: 'edit',
  [`POST ${P}/cloths`]: 'edit',
  [`GET ${P}/cloths/picture`]: 'read',
  [`POST ${P}/cloths/picture`]: 'edit',
  [`GET ${P}/export`]: 'read',
  [`PUT ${P}/extras`]: 'edit',
  [`POST ${P}/fussy`]: 'edit',
  [`GET ${P}/gallery`]: 'read',
  [`PATCH ${P}/gallery`]: 'edit',
  [`GET ${P}/gallery/[photo]`]: 'read',
  [`POST ${P}/groups`]: 'edit',
  [`PATCH ${P}/groups`]: 'edit',
  [`GET ${P}/handovers`]: 'read',
  [`POST ${P}/handovers`]: 'pack',
  [`PATCH ${P}/handovers`]: 'pack',
  [`GET ${P}/kits`]: 'read',
  [`PUT ${P}/kits`]: 'pack',
  [`GET ${P}/live`]: 'read',
  [`GET ${P}/keeping`]: 'read',
  [`GET ${P}/log/[entry]`]: 'read',
  [`GET ${P}/log`]: 'read',
  [`POST ${P}/log`]: 'pack',
  [`PATCH ${P}/log`]: 'pack',
  [`POST ${P}/makers`]: 'edit',
  [`GET ${P}/makers/[maker]`]: 'edit',
  [`PATCH ${P}/makers/[maker]`]: 'edit',
  [`PATCH ${P}/marks`]: 'edit',
  [`PUT ${P}/order`]: 'edit',
  [`POST ${P}/orders`]: 'edit',
  [`PATCH ${P}/orders`]: 'edit',
  [`GET ${P}/orders`]: 'read',
  [`GET ${P}/packing`]: 'read',
  [`POST ${P}/packing`]: 'pack',
  [`GET ${P}/photos/[photo]`]: 'read',
  [`PATCH ${P}/photos/[photo]`]: 'edit',
  [`POST ${P}/practice`]: 'pack',
  [`GET ${P}/progress`]: 'read',
  [`GET ${P}/reminders`]: 'edit',
  [`POST ${P}/reminders`]: 'edit',
  [`PUT ${P}/reminders`]: 'edit',
  [`GET ${P}/roll`]: 'read',
  [`POST ${P}/roll`]: 'pack',
  [`POST ${P}/roster`]: 'edit',
  [`PUT ${P}/setting`]: 'edit',
  [`POST ${P}/share`]: 'pack',
  [`POST ${P}/stock`]: 'pack',
  [`GET ${P}/troubles`]: 'read',
  [`PATCH ${P}/troubles`]: 'pack',
  [`POST ${P}/troubles`]: 'edit',
  [`GET ${P}/troubles/[word]`]: 'read',
};

const PATTERNS = Object.entries(ROUTES)
  // Plain words come before places that anything may stand in.
  .sort(([a], [b]) => a.split('[').length - b.split('[').length)
  .map(([key, need]) => {
    const [method, path = ''] = key.split(' ') as [Method, string];
    return { method, need, path: new RegExp(`^${path.replace(/\[\w+\]/g, '[^/]+')}/?$`) };
  });

/** What a request needs; undefined for a route that the table does not know. */
export function needOf(method: string, path: string): Need | undefined {
  return PATTERNS.find((one) => one.method === method && one.path.test(path))?.need;
}
