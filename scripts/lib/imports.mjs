// Which source file uses which, name by name: what a folder's index only passes on is not used by who imports the index.
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { parseSync } from '@swc/core';

const CORE = '@warm-ladder/core/';

/** The file an import means, or `null` for a package. */
function fileOf(root, from, meant) {
  const path = meant.startsWith(CORE)
    ? join('core', meant.slice(CORE.length))
    : meant.startsWith('.')
      ? join(dirname(from), meant)
      : null;
  if (path === null) return null;
  return (
    [path, `${path}.ts`, `${path}.tsx`, `${path}/index.ts`].find(
      (each) => /\.tsx?$/.test(each) && existsSync(join(root, each)),
    ) ?? null
  );
}

const nameOf = (node) => node?.value ?? null;

/** What a source imports and passes on, types left out. */
function read(root, file) {
  const { body } = parseSync(readFileSync(join(root, file), 'utf8'), {
    syntax: 'typescript',
    tsx: file.endsWith('.tsx'),
    target: 'es2023',
  });
  const imports = [];
  const passedOn = new Map();
  for (const node of body) {
    const from = node.source ? fileOf(root, file, node.source.value) : null;
    if (!from || node.typeOnly) continue;
    const specifiers = (node.specifiers ?? []).filter((each) => !each.isTypeOnly);
    if (node.type === 'ImportDeclaration')
      for (const each of specifiers)
        imports.push({
          from,
          name: each.type === 'ImportSpecifier' ? (nameOf(each.imported) ?? nameOf(each.local)) : null,
        });
    else if (node.type === 'ExportNamedDeclaration')
      for (const each of specifiers)
        passedOn.set(nameOf(each.exported) ?? nameOf(each.orig), { from, name: nameOf(each.orig) });
    if (specifiers.length === 0 && node.type === 'ImportDeclaration' && (node.specifiers ?? []).length === 0)
      imports.push({ from, name: null });
  }
  return { imports, passedOn };
}

/**
 * Who uses whom.
 * @param {string} root
 * @param {string[]} files TypeScript files of the tree, as paths from `root`
 * @returns {Map<string, Set<string>>} for each file that is used, the files that use it
 */
export function usersOf(root, files) {
  const known = new Map(files.map((file) => [file, read(root, file)]));
  const users = new Map();
  const use = (user, from, name) => {
    const next = name === null ? undefined : known.get(from)?.passedOn.get(name);
    if (next) return use(user, next.from, next.name);
    users.set(from, (users.get(from) ?? new Set()).add(user));
  };
  for (const [file, { imports, passedOn }] of known) {
    for (const { from, name } of imports) use(file, from, name);
    if (file.endsWith('index.ts')) continue;
    for (const { from, name } of passedOn.values()) use(file, from, name);
  }
  return users;
}

/** Tests that hold what comes out at the end by value: for a file far down they are nearer than their imports say. */
const HOLDING = 'core/recorded/';
/** So many near tests, each of a second or two, come before those, which take many. */
const NEAR = { steps: 2, files: 8 };

/**
 * The tests that import a file, themselves or by others, the nearest first.
 * @param {'quick' | 'long'} part those of seconds, or those of minutes
 */
export function testsOf(users, file, part = 'quick') {
  const far = new Map([[file, 0]]);
  for (const [each, steps] of far)
    for (const user of users.get(each) ?? []) if (!far.has(user)) far.set(user, steps + 1);
  const shared = (test) => relative(dirname(file), dirname(test)).split('/').length;
  const all = [...far]
    .filter(([each]) => each.endsWith('.test.ts') && each.endsWith('.long.test.ts') === (part === 'long'))
    .map(([test, steps]) => ({ test, steps, shared: shared(test) }))
    .sort((one, other) => one.steps - other.steps || one.shared - other.shared || (one.test < other.test ? -1 : 1));
  const holding = all.filter(({ test }) => test.startsWith(HOLDING));
  const others = all.filter(({ test }) => !test.startsWith(HOLDING));
  const near = Math.min(NEAR.files, others.filter(({ steps }) => steps <= NEAR.steps).length);
  return others.toSpliced(near, 0, ...holding).map(({ test }) => test);
}
