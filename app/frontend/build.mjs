// Builds styles, scripts and fonts into the application's static folder; all of it is committed.
// One script and one style sheet for each capability: a page gets its frame's and its own.
import { execFileSync } from "node:child_process";
import { cpSync, mkdirSync, rmSync, readFileSync, writeFileSync, copyFileSync } from "node:fs";
import { basename } from "node:path";
import { build } from "esbuild";
import wawoff2 from "wawoff2";

const out = "../src/main/resources/static/built";
const SCRIPTS = [
  "shell/shell.js", "worklist/worklist.js", "program/program.js", "teaching/teaching.js", "library/library.js",
  "measurement/measurement.js", "measurement/posture.js", "measurement/map.js",
  "me/me.js", "session/player.js", "session/ticker.js",
  "workday/workday.js", "workday/desk.js",
  "offline/pin.js", "offline/unlock.js", "offline/phone.js", "offline/gone.js",
];
const STYLES = [
  "shell/shell.css", "worklist/worklist.css", "client/client.css", "screening/screening.css",
  "measurement/measurement.css", "measurement/map.css", "library/library.css", "program/program.css", "teaching/teaching.css",
  "review/review.css", "me/me.css", "session/player.css", "workday/workday.css", "handout/sheet.css", "writing/letter.css",
];

rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });

execFileSync("node_modules/.bin/tailwindcss", ["-i", "src/platform/base.css", "-o", `${out}/base.css`, "--minify"], {
  stdio: ["ignore", "ignore", "inherit"],
});
// Fonts stand beside the style sheet under their own names.
let css = readFileSync(`${out}/base.css`, "utf8");
css = css.replace(/url\(["']?([^"')]*?files\/([^"')]+\.woff2))["']?\)/g, (all, path, name) => {
  const family = name.includes("-mono-") ? "mono" : "next";
  copyFileSync(`node_modules/@fontsource-variable/atkinson-hyperlegible-${family}/files/${name}`, `${out}/${basename(name)}`);
  return `url(${basename(name)})`;
});
writeFileSync(`${out}/base.css`, css);

// What is printed has fonts of its own: a PDF embeds no woff2 and no variable font.
const printed = "../src/main/resources/handout";
mkdirSync(printed, { recursive: true });
for (const subset of ["latin", "latin-ext"]) {
  for (const weight of [400, 700]) {
    const font = `node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${subset}-${weight}-normal.woff2`;
    writeFileSync(`${printed}/${subset}-${weight}.ttf`, await wawoff2.decompress(readFileSync(font)));
  }
}

cpSync("src/offline/icons", out, { recursive: true });

const common = { outdir: out, bundle: true, minify: true, target: "es2022", legalComments: "none" };
// A worker is one file. It says less of itself where it is not looked into.
await build({
  ...common,
  entryPoints: ["src/offline/worker.js"],
  format: "iife",
  define: { "process.env.NODE_ENV": '"production"' },
});
await build({
  ...common,
  entryPoints: [...SCRIPTS, ...STYLES].map((path) => `src/${path}`),
  entryNames: "[name]",
  chunkNames: "shared-[hash]",
  splitting: true,
  format: "esm",
  define: { "process.env.NODE_ENV": '"production"' },
});
