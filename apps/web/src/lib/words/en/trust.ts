/** The plain page that leads a phone to trust this machine's own certificate. */

const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

export const trustPage = (address: string): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>Hulvek on this phone</title>
<style>
body { max-width: 34rem; margin: 0 auto; padding: 16px; font: 18px/1.45 sans-serif; color: #1f2a2e; background: #fcfaf6 }
a.button { display: block; margin: 12px 0; padding: 14px; border-radius: 4px; background: #8a3710; color: #fff; text-align: center; font-weight: 700; text-decoration: none }
li { margin: 8px 0 }
</style>
<h1>Hulvek on this phone</h1>
<p>Without a network, and on the home screen, a page works only over a secure address. This machine has made its own certificate: the phone has to be told once that it may be trusted.</p>
<p>Do this on the network of the site only, and only if you know whose machine this is. Whoever has its key could stand in for other pages on phones that trust it.</p>
<ol>
<li><a class="button" href="/hulvek.crt">Load the certificate</a></li>
<li>Open the phone’s settings and search for “certificate” (also “profile” or “CA”). Install the file that was just loaded, as one for web pages. Where the phone asks to trust it fully, turn that on for “Hulvek”.</li>
<li><a class="button" href="${escaped(address)}">Open ${escaped(address)}</a></li>
<li>In the browser’s menu choose “Add to home screen”.</li>
</ol>
<p>To take it back, remove the certificate “Hulvek” in the same place.</p>
</html>
`;
