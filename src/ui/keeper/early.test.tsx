import { EARLY_SCRIPT, replayEarly } from './early';

const root = document.documentElement;
// As the page runs it: a script of its own.
window.eval(EARLY_SCRIPT);
const early = window.zhEarly;

let pressed: string[] = [];
beforeEach(() => {
  document.body.innerHTML = `
    <form id="form"><input id="text" /><label id="label"><input id="box" type="checkbox" /> sure</label>
    <button id="send">Send</button></form>
    <form action="/find"><button id="search">Find</button></form><a id="link" href="#there">There</a>`;
  pressed = [];
});
afterEach(() => {
  delete root.dataset.alive;
  early?.pressed.splice(0);
  early?.typed.clear();
  window.zhEarly = early;
});

const byId = (id: string): HTMLElement => document.getElementById(id) ?? document.body;
const alive = async (): Promise<void> => {
  for (const each of ['send', 'box', 'search'])
    byId(each).addEventListener('click', () => pressed.push(each));
  byId('form').addEventListener('submit', (event) => event.preventDefault());
  root.dataset.alive = '';
  await replayEarly();
};
const press = (id: string): boolean =>
  byId(id).dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));

test('a press waits until the page is alive, however often it was tried', async () => {
  expect(press('send')).toBe(false);
  expect(press('send')).toBe(false);
  expect(byId('send').getAttribute('aria-busy')).toBe('true');
  await alive();
  expect(pressed).toEqual(['send']);
  expect(byId('send').hasAttribute('aria-busy')).toBe(false);
});

test('a tick is set once, by its label too', async () => {
  press('label');
  await alive();
  expect(pressed).toEqual(['box']);
  expect((byId('box') as HTMLInputElement).checked).toBe(true);
});

test('links and forms that the browser can send by itself are left to it', async () => {
  byId('link').addEventListener('click', () => pressed.push('link'));
  press('link');
  expect(pressed).toEqual(['link']);
  expect(window.zhEarly?.pressed).toEqual([]);
});

test('what was typed is typed again once somebody listens', async () => {
  const text = byId('text') as HTMLInputElement;
  text.value = '27.31';
  text.dispatchEvent(new Event('input', { bubbles: true }));
  text.value = '';
  const heard: string[] = [];
  text.addEventListener('input', () => heard.push(text.value));
  await alive();
  expect(heard).toEqual(['27.31']);
});

test('a press waits until the one before it is through', async () => {
  const send = byId('send') as HTMLButtonElement;
  const box = byId('box') as HTMLInputElement;
  press('send');
  press('box');
  send.addEventListener('click', () => {
    box.disabled = true;
    setTimeout(() => {
      pressed.push('through');
      box.disabled = false;
    }, 80);
  });
  await alive();
  expect(pressed).toEqual(['send', 'through', 'box']);
});

test('afterwards nothing is held', async () => {
  await alive();
  press('send');
  expect(pressed).toEqual(['send']);
});
