import { chromium } from 'playwright-core';
const [path,out,w,h,...acts]=process.argv.slice(2);
const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu']});
const c=await b.newContext({viewport:{width:+w,height:+h},hasTouch:+w<1100,storageState:undefined});
const p=await c.newPage(); p.on('pageerror',e=>console.log('ERR',e.message)); p.on('console',m=>m.type()==='error'&&console.log('CON',m.text()));
await p.addInitScript(()=>{ if(!localStorage.getItem('joylap.counter')) localStorage.setItem('joylap.counter', new URLSearchParams(location.search).get('me')||''); });
await p.goto('http://127.0.0.1:4970'+path); await p.waitForTimeout(2500);
for(const a of acts){ const [k,...r]=a.split(':'); const v=r.join(':');
 if(k==='click') await p.getByRole('button',{name:v}).first().click(); else if(k==='text') await p.getByText(v).first().click(); else if(k==='key') await p.keyboard.press(v); else if(k==='wait') await p.waitForTimeout(+v); else if(k==='sel') await p.locator(v).first().click(); else if(k==='scroll') await p.locator(v).first().scrollIntoViewIfNeeded(); else if(k==='opt') await p.getByRole('option',{name:v}).first().click();
 await p.waitForTimeout(600);}
await p.screenshot({path:out}); await b.close();
