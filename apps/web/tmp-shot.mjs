import { chromium } from '@playwright/test';
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']});
const p = await b.newPage({viewport:{width:1280,height:800}});
await p.goto('http://localhost:4173/'); await p.waitForLoadState('networkidle');
await p.fill('input[type=email], input[name=email]','ines@demo.invalid').catch(()=>{});
await p.fill('input[type=password]','level-and-plumb').catch(()=>{});
await p.keyboard.press('Enter'); await p.waitForTimeout(2500);
const steps = process.argv.slice(2);
for (const s of steps){ const i=s.indexOf('='); const k=s.slice(0,i), v=s.slice(i+1);
 if(k==='go'){ await p.goto('http://localhost:4173'+v); await p.waitForLoadState('networkidle'); await p.waitForTimeout(1500);}
 else if(k==='click'){ await p.locator(v).first().click(); await p.waitForTimeout(800);}
 else if(k==='sel'){ const [sel,val]=v.split('@@'); await p.locator(sel).first().selectOption(val); await p.waitForTimeout(900);}
 else if(k==='size'){ const [w,h]=v.split('x').map(Number); await p.setViewportSize({width:w,height:h}); await p.waitForTimeout(500);}
 else if(k==='shot'){ await p.screenshot({path:v}); }
 else if(k==='full'){ await p.screenshot({path:v,fullPage:true}); }
 else if(k==='urls'){ console.log(await p.$$eval('a',as=>as.map(a=>a.getAttribute('href')).join('\n'))); }
 else if(k==='text'){ console.log((await p.locator(v).first().innerText()).slice(0,3000)); }
}
await b.close();
