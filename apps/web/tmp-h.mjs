import { chromium } from '@playwright/test';
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']});
const p = await b.newPage({viewport:{width:1300,height:800}}); await p.goto('file:///tmp/d.html'); await p.screenshot({path:'/tmp/d.png',fullPage:true}); await b.close();
