// Development: the server, built and started anew whenever its sources change, and the front end, which vite reloads by itself. The types of the
// api are renewed when its description changes. Run by './ebbtide dev'.
import { spawn, spawnSync } from 'node:child_process';
import { readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const [port = '8080'] = process.argv.slice(2);
const SOURCES = ['core', 'formats', 'sim', 'app'].map((module) => join('..', module, 'src', 'main'));
const EVERY = 1000;

/** The time of the latest change of any file below a folder. */
function changedAt(path) {
  const stat = statSync(path);
  return stat.isDirectory() ? Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => changedAt(join(path, name)))) : stat.mtimeMs;
}

const latest = () => Math.max(...SOURCES.map(changedAt));

let server;
let ending = false;

function start() {
  console.log('Starting the server ...');
  // The front end comes from vite: the jar need not have it.
  const env = { ...process.env, EBBTIDE_BUILD_OPTIONS: '-Dexec.skip=true' };
  const mine = spawn('../ebbtide', ['start', '--data', '../target/dev-data', '--port', port], { env, stdio: ['ignore', 'pipe', 'inherit'] });
  server = mine;
  mine.stdout.on('data', async (text) => {
    process.stdout.write(text);
    if (String(text).includes('is ready on')) await renewTypes();
  });
  mine.on('exit', (code) => {
    if (!ending && server === mine && code) console.log('The server ended: mend what it said, and it is started again.');
  });
}

/** Writes the description of the running api, and the types made of it, where it is not what it was. */
async function renewTypes() {
  const now = JSON.stringify(await (await fetch(`http://127.0.0.1:${port}/api/description`)).json(), null, 1);
  if (now.trim() === readFileSync('api.json', 'utf8').trim()) return;
  writeFileSync('api.json', now);
  spawnSync('npm', ['run', '--silent', 'types'], { stdio: 'inherit' });
  console.log('The api has changed: web/api.json and the types made of it are renewed.');
}

function end() {
  if (ending) return;
  ending = true;
  server?.kill();
  vite.kill();
  // What was built here lacks the front end as it is now: the next start builds all of it.
  rmSync('../app/target/ebbtide.jar', { force: true });
}

// The front end's packages, and its types.
spawnSync('node', ['build.mjs'], { stdio: 'inherit' });
// By itself, not through npx, which would leave it behind when it is ended.
const vite = spawn('node', ['node_modules/vite/bin/vite.js', '--host', '127.0.0.1'], { env: { ...process.env, EBBTIDE_PORT: port }, stdio: 'inherit' });
vite.on('exit', end);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, end);

let known = latest();
start();
setInterval(() => {
  const now = latest();
  if (ending) process.exit();
  if (now <= known) return;
  known = now;
  const before = server;
  server = undefined;
  before.once('exit', start);
  if (before.exitCode !== null) start();
  else before.kill();
}, EVERY);
