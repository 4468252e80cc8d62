import { chromium } from 'playwright-core';
import { chromiumArguments } from './scripts/setup/chromium.mjs';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumArguments });
const [,, path, out, w='1280', h='800', dark] = process.argv;
const p = await b.newPage({ viewport: { width: +w, height: +h }, locale: 'en-GB', colorScheme: dark ? 'dark' : 'light' });
p.on('console', m => ['error','warning'].includes(m.type()) && console.log(m.text().slice(0,300)));
await p.goto('http://127.0.0.1:4400' + path); await p.waitForTimeout(1500); await p.screenshot({ path: out }); await b.close();
