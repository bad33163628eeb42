// Builds styles, scripts and fonts into the application's static folder; all of it is committed.
import { execFileSync } from "node:child_process";
import { mkdirSync, rmSync, readFileSync, writeFileSync, copyFileSync } from "node:fs";
import { basename } from "node:path";
import { build } from "esbuild";

const out = "../src/main/resources/static/built";
rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });

execFileSync("node_modules/.bin/tailwindcss", ["-i", "src/app.css", "-o", `${out}/app.css`, "--minify"], {
  stdio: ["ignore", "ignore", "inherit"],
});
// Fonts stand beside the style sheet under their own names.
let css = readFileSync(`${out}/app.css`, "utf8");
css = css.replace(/url\(["']?([^"')]*?files\/([^"')]+\.woff2))["']?\)/g, (all, path, name) => {
  const family = name.includes("-mono-") ? "mono" : "next";
  copyFileSync(`node_modules/@fontsource-variable/atkinson-hyperlegible-${family}/files/${name}`, `${out}/${basename(name)}`);
  return `url(${basename(name)})`;
});
writeFileSync(`${out}/app.css`, css);

await build({
  entryPoints: ["src/app.js", "src/client.js", "src/player.js"],
  outdir: out,
  bundle: true,
  minify: true,
  format: "iife",
  target: "es2022",
  legalComments: "none",
});
