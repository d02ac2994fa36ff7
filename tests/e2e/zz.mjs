import { chromium } from '@playwright/test'
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
const p = await b.newPage({ viewport: { width: 1280, height: 800 } })
const u='http://127.0.0.1:5480'
await p.goto(u + '/course/Tides%20and%20tidal%20streams/terms'); await p.waitForTimeout(1200)
await p.getByRole('textbox').fill('tide\nx\nneap tide\nbergschrund = berg shroond'); await p.getByRole('button',{name:'Save'}).click(); await p.waitForTimeout(900); await p.screenshot({ path: '/tmp/s2.png' })
await p.goto(u + '/lecture/tidal-streams'); await p.waitForTimeout(3000); 
await p.getByRole('button', { name: 'Transcribe again' }).click(); await p.waitForTimeout(500); await p.getByRole('button', { name: 'Transcribe again' }).last().click(); await p.waitForTimeout(5000); await p.screenshot({ path: '/tmp/s3.png' })
await p.waitForTimeout(16000)
await p.getByRole('button', { name: 'Transcribe again' }).click({timeout:60000}); await p.waitForTimeout(800); await p.screenshot({ path: '/tmp/s4.png' })
await p.goto(u+'/bring-in'); await p.setInputFiles('input[type=file]', '/work/main/demo/media/09-fog.opus'); await p.waitForTimeout(600); await p.screenshot({ path: '/tmp/s5.png' })
await b.close()
