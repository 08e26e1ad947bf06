import { chromium } from '@playwright/test';
const BASE='http://127.0.0.1:3200';
const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run']});
const phone=process.argv[2]==='phone';
const ctx=await b.newContext(phone?{viewport:{width:390,height:844},hasTouch:true,isMobile:true}:{viewport:{width:1280,height:800}}); const p=await ctx.newPage();
p.setDefaultTimeout(15000);
const tag=phone?'p':'d';
const shot=(n)=>p.screenshot({path:`/tmp/shots/${tag}-${n}.png`});
p.on('console',m=>{ if(['error'].includes(m.type())) console.log('console',m.text().slice(0,200)); });
p.on('pageerror',e=>console.log('pageerror',e.message));
const alive=()=>p.locator('html[data-alive]').waitFor({state:'attached'});
const step=async(n,f)=>{ try{ await f(); console.log('ok',n);}catch(e){ console.log('FAIL',n,e.message.slice(0,400)); await shot('fail-'+n); throw e; } };
try {
let id;
await step('new',async()=>{ await p.goto(BASE+'/jobs/new'); await alive();
 const v=await p.getByLabel('Vehicle').locator('option').allTextContents(); console.log(v.slice(0,4).join(' / '));
 await p.getByLabel('Vehicle').selectOption({label:v.find(x=>/SK-077-R/.test(x))});
 await p.getByLabel(/^Complaint/).fill('Pedal pulses from 80.'); await p.getByLabel(/front left/).check();
 await p.getByRole('button',{name:'Open the job'}).click(); await p.getByRole('group',{name:/Where is it felt/}).waitFor(); id=p.url().split('/')[4]; console.log(p.url()); });
await step('answers',async()=>{ await p.getByRole('button',{name:'Pedal',exact:false}).first().click(); await p.getByRole('button',{name:'Only braking'}).click(); await p.waitForTimeout(800); await shot('complaint'); });
await step('looks-offline',async()=>{ await p.goto(`${BASE}/jobs/${id}/strip/FL/findings`); await alive(); await ctx.setOffline(true);
 for (const g of ['Hose','Slide pins','Pin boots']) await p.getByRole('group',{name:g,exact:true}).locator('button[aria-pressed]').first().click();
 await p.waitForTimeout(2500); await shot('looks-offline'); console.log(await p.locator('[data-unsent]').first().getAttribute('data-unsent')); 
 await p.locator('.zh-unsent').click(); await p.waitForTimeout(500); await shot('list'); await p.keyboard.press('Escape');
 await p.getByRole('link',{name:/^Measure ,/}).click(); await p.waitForTimeout(1500); console.log('still on', p.url().slice(-20)); await shot('nav-offline');
 await ctx.setOffline(false); await p.waitForTimeout(3500); console.log('after', p.url().slice(-20), await p.locator('[data-unsent]').first().getAttribute('data-unsent')); });
await step('measure',async()=>{ await p.goto(`${BASE}/jobs/${id}/measure/FL`); await alive(); await p.waitForTimeout(500); await shot('measure-empty');
 await p.getByRole('button',{name:/^Start runout/}).click(); await p.waitForTimeout(400);
 const n=await p.locator('.zh-ladder button').count(); console.log('places',n);
 for(let i=0;i<12;i++){ if(i===4) await ctx.setOffline(true); if(i===9) await ctx.setOffline(false); await p.locator('#reading').fill((0.04*Math.cos(2*Math.PI*(i-2)/12)+0.04).toFixed(3)); await p.locator('#reading').press('Enter'); await p.waitForTimeout(120);} 
 await p.waitForTimeout(3000); await shot('measured'); console.log(await p.locator('[data-save-state]').textContent()); });
await step('decide',async()=>{ await p.goto(`${BASE}/jobs/${id}/decide`); await alive(); await p.waitForTimeout(500); await shot('decide'); console.log((await p.locator('main').innerText()).slice(0,500).replace(/\n/g,' | ')); });
await step('report',async()=>{ await p.goto(`${BASE}/jobs/${id}/report`); await alive(); await shot('report'); });
await step('owner',async()=>{ await p.goto(`${BASE}/jobs/${id}/report/owner`); await shot('owner'); });
console.log(id);
} catch {}
await b.close();
