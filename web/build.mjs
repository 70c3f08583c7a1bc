// Installs the front end's packages and builds it into target/classes/static, each only when something changed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOTS = ['src', 'index.html', 'package.json', 'package-lock.json', 'vite.config.ts', 'tsconfig.json', 'api.json'];

function files(path) {
  if (!existsSync(path)) return [];
  if (statSync(path).isFile()) return [path];
  return readdirSync(path)
    .sort()
    .filter((name) => name !== 'generated')
    .flatMap((name) => files(join(path, name)));
}

function hash(paths) {
  const sum = createHash('sha256');
  for (const path of paths) sum.update(path).update(readFileSync(path));
  return sum.digest('hex');
}

function run(...command) {
  const done = spawnSync(command[0], command.slice(1), { stdio: 'inherit' });
  if (done.status !== 0) process.exit(done.status ?? 1);
}

/** Writes down which packages the front end is made of, with versions and licences. */
function writeParts() {
  const told = spawnSync('npm', ['sbom', '--sbom-format', 'cyclonedx', '--omit', 'dev'], { encoding: 'utf8' });
  if (told.status !== 0) process.exit(told.status ?? 1);
  mkdirSync('target/classes/META-INF/sbom', { recursive: true });
  writeFileSync('target/classes/META-INF/sbom/web.cdx.json', told.stdout);
}

/** Runs an act unless the stamp says that it was done for the same input. */
function unlessDone(stamp, input, act) {
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === input) return;
  act();
  writeFileSync(stamp, input);
}

mkdirSync('target/classes/static', { recursive: true });
const lock = hash(['package.json', 'package-lock.json']);
unlessDone(existsSync('node_modules') ? 'node_modules/.installed' : 'target/none', lock, () => {
  run('npm', 'ci', '--no-audit', '--no-fund', '--prefer-offline');
  writeFileSync('node_modules/.installed', lock);
});
unlessDone('target/built', hash(ROOTS.flatMap(files)), () => {
  run('npm', 'run', '--silent', 'types');
  run('npm', 'run', '--silent', 'build');
  writeParts();
});
