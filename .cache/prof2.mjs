import { chromium } from '@playwright/test'
import { writeFileSync } from 'node:fs'
const [path, out, again] = process.argv.slice(2)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' })
const page = await context.newPage()
if (again) { await page.goto('http://localhost:3299/'); await page.waitForTimeout(15000) }
const s = await context.newCDPSession(page)
await s.send('Profiler.enable'); await s.send('Profiler.setSamplingInterval', { interval: 500 }); await s.send('Emulation.setCPUThrottlingRate', { rate: 4 }); await s.send('Profiler.start')
await page.addInitScript(() => { window.tasks = []; new PerformanceObserver((l) => { for (const e of l.getEntries()) window.tasks.push([Math.round(e.startTime), Math.round(e.duration)]) }).observe({ type: 'longtask', buffered: true }) })
await page.goto('http://localhost:3299' + path, { waitUntil: 'commit' })
await page.waitForTimeout(12000)
console.log(JSON.stringify(await page.evaluate(() => window.tasks)))
const { profile } = await s.send('Profiler.stop')
writeFileSync(out, JSON.stringify(profile))
await browser.close()
