import { readFileSync, readdirSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';

/** One file of the product, without tests, and what of ours it imports. */
export interface Source {
  /** From the root of the repository, with slashes. */
  readonly path: string;
  readonly text: string;
  /** Paths of the files of the same workspace that it imports, workers among them. */
  readonly imports: readonly string[];
  /** How many modules it imports, whosever they are. */
  readonly fanOut: number;
}

const NOT_PRODUCT = /\.test\.tsx?$|\/(testing|node_modules|dist|public|\.expo)\//;

/** Every product file of a workspace, in the order of its paths. */
export function sourcesOf(root: string, folder: string): readonly Source[] {
  const paths = readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .map((name) => `${folder}/${name.replaceAll('\\', '/')}`)
    .filter((path) => /\.tsx?$/.test(path) && !/\.d\.ts$/.test(path) && !NOT_PRODUCT.test(path))
    .sort();
  const known = new Set(paths);
  return paths.map((path) => sourceOf(path, readFileSync(join(root, path), 'utf8'), known));
}

/** A file by its text. @param known the paths that an import may mean */
export function sourceOf(path: string, text: string, known: ReadonlySet<string>): Source {
  const named = [
    ...ts.preProcessFile(text, true, true).importedFiles.map((f) => f.fileName),
    // A worker is a bundle of its own, by its address.
    ...[...text.matchAll(/new URL\('(\.[^']+)', import\.meta\.url\)/g)].map((m) => m[1]!),
  ];
  const imports = named.flatMap((name) => {
    if (!name.startsWith('.')) return [];
    const to = relative('.', join(dirname(path), name)).replaceAll('\\', '/');
    const found = [to, `${to}.ts`, `${to}.tsx`, `${to}/index.ts`].find((p) => known.has(p));
    return found === undefined ? [] : [found];
  });
  return { path, text, imports: [...new Set(imports)], fanOut: new Set(named).size };
}
