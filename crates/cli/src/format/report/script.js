'use strict';
const D = JSON.parse(document.getElementById('data').textContent);
const $ = (id) => document.getElementById(id);

// Text from the source only ever becomes text nodes and attribute values.
function el(tag, props, ...children) {
  const node = document.createElement(tag);
  for (const [name, value] of Object.entries(props || {})) {
    if (name === 'on') node.addEventListener('click', value);
    else if (value !== null && value !== undefined && value !== false) node.setAttribute(name, value);
  }
  node.append(...children.flat(Infinity).filter((child) => child !== null && child !== undefined && child !== ''));
  return node;
}
const place = (at) => D.places[at];
const where = (at) => (at ? D.files[at[0]] + ':' + at[1] : '');
const shortWhere = (at) => where(at).split('/').pop();
const count = (n, what) => n + ' ' + what + (n === 1 ? '' : 's');

// Views -------------------------------------------------------------------------------------------
const views = ['overview', 'picture', 'routes', 'calls', 'findings', 'gaps'].filter((id) => $(id));
function show(view) {
  for (const id of views) $(id).hidden = id !== view;
  for (const button of document.querySelectorAll('nav button')) {
    if (button.dataset.view === view) button.setAttribute('aria-current', 'page');
    else button.removeAttribute('aria-current');
  }
  if (tables[view]) tables[view]();
  if (view === 'picture') fitAll();
}
for (const button of document.querySelectorAll('nav button')) {
  button.addEventListener('click', () => { location.hash = 'view=' + button.dataset.view; });
}

// Tables ------------------------------------------------------------------------------------------
function link(at) {
  return el('button', { type: 'button', on: () => open(at) }, place(at).n);
}
// Rows are made when they are shown, a page at a time: thousands at once would be felt.
const PAGE = 200;
const printers = [];
function table(holder, heads, rows, filters) {
  let [sorted, up, most] = [-1, true, PAGE];
  const body = el('tbody');
  const texts = rows.map((row) => row.keys.join(' ').toLowerCase());
  const order = rows.map((_, i) => i);
  const ths = heads.map((head, i) => el('th', { scope: 'col' }, el('button', { type: 'button', on: () => sort(i) }, head)));
  const status = el('span', { class: 'n', role: 'status' });
  const more = el('button', { type: 'button', class: 'more', on: () => { most += PAGE; fill(); } });
  const input = el('input', { type: 'search', placeholder: 'filter', 'aria-label': 'Filter the table' });
  const boxes = (filters || []).map(([name, test]) => [el('input', { type: 'checkbox' }), name, test]);
  function fill() {
    const words = input.value.toLowerCase().split(/\s+/).filter(Boolean);
    const fits = (i) => words.every((word) => texts[i].includes(word)) && boxes.every(([box, , test]) => !box.checked || test(rows[i]));
    const shown = order.filter(fits);
    body.replaceChildren(...shown.slice(0, most).map((i) => el('tr', { class: rows[i].class }, rows[i].cells().map((cell) => el('td', {}, cell)))));
    status.textContent = shown.length + ' of ' + rows.length;
    more.hidden = shown.length <= most;
    more.textContent = 'Show more (' + (shown.length - most) + ' left)';
  }
  function sort(i) {
    up = sorted === i ? !up : true;
    sorted = i;
    ths.forEach((th, k) => (k === i ? th.setAttribute('aria-sort', up ? 'ascending' : 'descending') : th.removeAttribute('aria-sort')));
    const less = (x, y) => (typeof x === 'number' && typeof y === 'number' ? x - y : String(x).localeCompare(String(y), 'en', { numeric: true }));
    order.sort((a, b) => (up ? 1 : -1) * less(rows[a].keys[i], rows[b].keys[i]) || a - b);
    fill();
  }
  const again = () => { most = PAGE; fill(); };
  input.addEventListener('input', again);
  boxes.forEach(([box]) => box.addEventListener('change', again));
  printers.push(() => { most = Infinity; fill(); });
  holder.append(
    el('div', { class: 'filter' }, input, boxes.map(([box, name]) => el('label', {}, box, ' ' + name)), status),
    el('table', {}, el('thead', {}, el('tr', {}, ths)), body), more);
  fill();
}
const severities = { error: 0, warning: 1, note: 2 };
const once = (build) => { let done = false; return () => { if (!done) { done = true; build(); } }; };
const parameter = (p) => p.n + (p.r ? '' : '?') + (p.t ? ': ' + p.t : '');
const argument = ([name, type, value]) => name + ' = ' + (value || type || '?');
const opened = new Map();
for (const call of D.calls) for (const to of new Set(call.t)) opened.set(to, (opened.get(to) || 0) + 1);
const names = (list, and) => list.slice(0, 3).map((at, i) => [i ? and : '', link(at)]).concat(list.length > 3 ? ' and ' + (list.length - 3) + ' more' : '');
const tables = {
  routes: once(() => table($('routes'), ['route', 'shows', 'takes', 'opened', 'style', 'at'], D.routes.map((r) => {
    const times = r.p === null ? 0 : opened.get(r.p) || 0;
    const takes = r.a.map(parameter).join(', ');
    return {
      route: r, times, keys: [r.n, r.p === null ? '' : place(r.p).n, takes, times, r.s, where(r.at)],
      cells: () => [(r.t ? '*' : '') + r.n, r.p === null ? '-' : link(r.p), takes, times + '×', r.s, shortWhere(r.at)],
    };
  }), [['never opened', (row) => row.times === 0], ['with deep links', (row) => row.route.l.length > 0]])),
  calls: once(() => table($('calls'), ['from', 'does', 'to', 'with', 'form', 'at'], D.calls.map((c) => {
    const vain = c.x ? c.x + ' (' + c.u + ')' : '(back)';
    const passed = c.a.map(argument).join(', ');
    return {
      call: c, keys: [c.f.map((at) => place(at).n).join(' '), c.v, c.t.length ? c.t.map((at) => place(at).n).join(' ') : vain, passed, c.w || '', where(c.at)],
      cells: () => [c.f.length ? names(c.f, ', ') : '(no screen)', c.v, c.t.length ? names(c.t, ' or ') : vain, passed, c.w || '', shortWhere(c.at)],
    };
  }), [['in literals', (row) => row.call.w === 'literal'], ['not resolved', (row) => row.call.u !== 'resolved']])),
  findings: once(() => table($('findings'), ['severity', 'rule', 'what', 'place', 'at'], D.findings.map((f, i) => ({
    class: f.s, keys: [severities[f.s] + ' ' + f.s, f.r, f.m, owners(i).map((at) => place(at).n).join(' '), where(f.at)],
    cells: () => [f.s, f.r, f.m, names(owners(i), ', '), shortWhere(f.at)],
  })))),
  gaps: once(() => table($('gap-list'), ['kind', 'what', 'at'], D.gaps.map((g) => {
    const at = g.at ? g.at[0].split('/').pop() + ':' + g.at[1] : '';
    return { keys: [g.k, g.m, at], cells: () => [g.k, g.m, at] };
  }))),
};
const ownersOf = new Map();
D.places.forEach((p, at) => p.g.forEach((finding) => ownersOf.set(finding, [...(ownersOf.get(finding) || []), at])));
function owners(finding) { return ownersOf.get(finding) || []; }

// Search ------------------------------------------------------------------------------------------
const index = D.places.map((p) => [p.n, ...p.r.map((r) => D.routes[r].n), where(p.at)].join(' ').toLowerCase());
function search(text) {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = words.length ? index.map((line, at) => (words.every((word) => line.includes(word)) ? at : -1)).filter((at) => at >= 0) : [];
  const list = $('hits');
  list.replaceChildren(...found.slice(0, 40).map((at) => el('li', {}, el('button', { type: 'button', on: () => open(at) }, place(at).n, el('small', {}, place(at).k + ' · ' + (shortWhere(place(at).at) || 'no file'))))));
  if (words.length && !found.length) list.append(el('li', {}, 'Nothing is called so.'));
  list.hidden = !words.length;
  mark(words.length ? new Set(found) : null);
}
$('q').addEventListener('input', () => search($('q').value));
$('q').addEventListener('keydown', (event) => {
  if (event.key === 'Escape') { $('q').value = ''; search(''); }
  if (event.key === 'ArrowDown' || event.key === 'Enter') {
    const first = $('hits').querySelector('button');
    if (first) { event.preventDefault(); if (event.key === 'Enter') first.click(); else first.focus(); }
  }
});
$('hits').addEventListener('keydown', (event) => {
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (event.key === 'Escape') { $('hits').hidden = true; $('q').focus(); }
  if (!step) return;
  event.preventDefault();
  const all = [...$('hits').querySelectorAll('button')];
  const next = all[all.indexOf(document.activeElement) + step];
  (next || $('q')).focus();
});
document.addEventListener('click', (event) => { if (!event.target.closest('.seek')) $('hits').hidden = true; });
document.addEventListener('keydown', (event) => {
  if (event.key === '/' && !event.target.closest('input')) { event.preventDefault(); $('q').focus(); }
  if (event.key === 'Escape' && !$('panel').hidden && !event.target.closest('.seek')) closePanel();
});

// Map ---------------------------------------------------------------------------------------------
const sheets = [...document.querySelectorAll('.sheet')];
let current = 0;
const sheet = () => sheets[current];
const picture = () => sheet().querySelector('svg');
const full = sheets.map((s) => s.querySelector('svg').getAttribute('viewBox').split(' ').map(Number));
const boxes = full.map((box) => [...box]);
function setBox(box) { boxes[current] = box; picture().setAttribute('viewBox', box.map((n) => n.toFixed(1)).join(' ')); }
function fitAll() { setBox([...full[current]]); $('caption').textContent = sheet().dataset.title; }
function zoom(factor, x = 0.5, y = 0.5) {
  const [l, t, w, h] = boxes[current];
  const scale = Math.min(Math.max(w * factor, 120), full[current][2] * 3) / w;
  setBox([l + w * x * (1 - scale), t + h * y * (1 - scale), w * scale, h * scale]);
}
function move(dx, dy) { const [l, t, w, h] = boxes[current]; setBox([l + dx * w, t + dy * h, w, h]); }
// Brings a node to the middle, large enough to be read.
function centre(node) {
  const body = node.querySelector('.body').getBBox();
  const box = stage.getBoundingClientRect();
  if (!box.width) return;
  const w = Math.min(boxes[current][2], box.width * 1.25);
  const h = (w * box.height) / box.width;
  setBox([body.x + body.width / 2 - w / 2, body.y + body.height / 2 - h / 2, w, h]);
}
function turnTo(at) {
  sheet().hidden = true;
  current = at;
  sheet().hidden = false;
  $('back').hidden = at === 0;
  fitAll();
}
const stage = $('stage');
stage.addEventListener('wheel', (event) => {
  event.preventDefault();
  const box = stage.getBoundingClientRect();
  zoom(event.deltaY > 0 ? 1.15 : 0.87, (event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
}, { passive: false });
let grabbed = null;
stage.addEventListener('pointerdown', (event) => { grabbed = [event.clientX, event.clientY, false]; });
stage.addEventListener('pointermove', (event) => {
  if (!grabbed || !event.buttons) return;
  const [dx, dy] = [event.clientX - grabbed[0], event.clientY - grabbed[1]];
  if (!grabbed[2] && Math.hypot(dx, dy) < 4) return;
  const box = stage.getBoundingClientRect();
  const scale = Math.max(boxes[current][2] / box.width, boxes[current][3] / box.height);
  move((-dx * scale) / boxes[current][2], (-dy * scale) / boxes[current][3]);
  grabbed = [event.clientX, event.clientY, true];
});
stage.addEventListener('keydown', (event) => {
  const keys = { ArrowLeft: [-0.1, 0], ArrowRight: [0.1, 0], ArrowUp: [0, -0.1], ArrowDown: [0, 0.1] };
  if (keys[event.key]) move(...keys[event.key]);
  else if (event.key === '+' || event.key === '=') zoom(0.8);
  else if (event.key === '-') zoom(1.25);
  else if (event.key === '0') fitAll();
  else return;
  event.preventDefault();
});
$('in').addEventListener('click', () => zoom(0.8));
$('out').addEventListener('click', () => zoom(1.25));
$('fit').addEventListener('click', fitAll);
$('back').addEventListener('click', () => turnTo(0));
$('only-findings').addEventListener('change', () => search($('q').value));
const nodesOf = new Map();
sheets.forEach((s, k) => {
  const nodes = [...s.querySelectorAll('.node')];
  nodes.forEach((node, i) => {
    const leads = D.pictures[k][i];
    const go = () => { if (leads.place !== undefined) open(leads.place); else if (leads.picture !== undefined) turnTo(leads.picture); };
    node.setAttribute('tabindex', '0');
    node.setAttribute('role', 'button');
    node.setAttribute('aria-label', node.querySelector('title').textContent);
    node.addEventListener('click', () => { if (!grabbed || !grabbed[2]) go(); });
    node.addEventListener('keydown', (event) => { if (event.key === 'Enter' || event.key === ' ') { event.preventDefault(); go(); } });
    if (leads.place !== undefined) nodesOf.set(leads.place, [...(nodesOf.get(leads.place) || []), [k, node]]);
  });
  for (const hop of s.querySelectorAll('.hop')) {
    const [from, to] = [D.pictures[k][hop.dataset.from], D.pictures[k][hop.dataset.to]];
    if (from.place === undefined || to.place === undefined) continue;
    const at = D.hops.findIndex((h) => h.f === from.place && h.t === to.place);
    const grip = hop.querySelector('.arrow').cloneNode();
    grip.setAttribute('class', 'grip');
    hop.append(grip);
    hop.dataset.hop = at;
    hop.addEventListener('click', () => { if (!grabbed || !grabbed[2]) location.hash = 'hop=' + at; });
  }
});
function mark(found) {
  const only = $('only-findings').checked;
  for (const [at, list] of nodesOf) {
    for (const [, node] of list) {
      node.classList.toggle('hit', found !== null && found.has(at));
      node.classList.toggle('dim', (found !== null && !found.has(at)) || (only && !place(at).g.length));
    }
  }
}

// Details -----------------------------------------------------------------------------------------
function code(at) {
  const excerpt = at && D.code[at[0] + ':' + at[1]];
  if (!excerpt) return null;
  const [first, lines] = excerpt;
  const width = String(first + lines.length).length;
  return el('pre', {}, lines.map((line, i) => el('span', { class: first + i === at[1] ? 'here' : null }, String(first + i).padStart(width) + '  ' + line)));
}
const to = (at) => el('button', { type: 'button', class: 'to', on: () => open(at) }, place(at).n);
const spot = (at) => el('div', { class: 'at' }, where(at));
const list = (title, items) => (items.length ? [el('h3', {}, title), el('ul', {}, items.map((item) => el('li', {}, item)))] : []);

// The shortest ways from every entry, as the `reach` command gives them.
function ways(end) {
  const found = [];
  for (const start of D.entries) {
    const by = new Map([[start, null]]);
    const todo = [start];
    while (todo.length && !by.has(end)) {
      for (const hop of place(todo.shift()).o) {
        const next = D.hops[hop].t;
        if (!by.has(next)) { by.set(next, hop); todo.push(next); }
      }
    }
    if (!by.has(end)) continue;
    const steps = [];
    for (let at = end; by.get(at) !== null && by.get(at) !== undefined; at = D.hops[by.get(at)].f) steps.unshift(by.get(at));
    found.push([start, steps]);
  }
  return found.sort((a, b) => a[1].length - b[1].length).slice(0, 6);
}
function call(at) {
  const c = D.calls[at];
  return [el('b', {}, c.v), ' ' + (c.x || ''), c.a.length ? ' with ' + c.a.map(argument).join(', ') : '', c.w ? ' (' + c.w + ')' : '', spot(c.at), code(c.at)];
}
function finding(at) {
  const f = D.findings[at];
  return [el('b', { class: f.s }, f.s + ' ' + f.r), ': ' + f.m, f.o.length ? [el('div', {}, 'only in ' + f.o.join(', '))] : [], spot(f.at), code(f.at), el('div', {}, f.h), f.l.map((r) => [el('div', {}, r.m), spot(r.at)]).flat(), f.u.length ? [el('div', {}, 'decided at run time'), f.u.map((at) => spot(at))].flat() : []];
}
function placeDetails(at) {
  const p = place(at);
  const routes = p.r.map((r) => D.routes[r]);
  const reached = ways(at);
  const sent = p.b.filter((r) => r.s === 'send');
  const taken = p.b.filter((r) => r.s === 'receive');
  const result = (r) => [el('b', {}, r.k || '(decided at run time)'), ' ', r.w.length ? r.w.map((w, i) => [i ? ', ' : '', to(w)]).flat() : 'nobody', spot(r.at)];
  return [
    el('p', {}, p.k, p.m ? ', module ' + p.m : ''), p.at ? [spot(p.at), code(p.at)] : [],
    list('Routes', routes.map((r) => [el('b', {}, r.n), ' (' + r.s + ', ' + r.k + ')', r.a.length ? ' takes ' + r.a.map(parameter).join(', ') : ' takes nothing', r.l.map((l) => el('div', {}, 'opened by ' + l)), spot(r.at)])),
    reached.length
      ? list('Ways in', reached.map(([start, steps]) => [to(start), steps.map((s) => [' → ', to(D.hops[s].t)]).flat()]))
      : [el('h3', {}, 'Ways in'), el('p', {}, 'None: ' + (p.i.length ? 'what opens it cannot be reached.' : 'nothing opens it.'))],
    list('Opened by', p.i.map((h) => D.hops[h]).map((h) => [to(h.f), h.c.length ? '' : ' shows it inside', h.c.map((c) => el('div', {}, call(c)))])),
    list('Reads', p.x.map((r) => [el('b', {}, r.n), (r.t ? ': ' + r.t : '') + (r.f ? ', must be there' : ', may be absent'), spot(r.at)])),
    list('Hands back', sent.map(result)), list('Waits for', taken.map(result)),
    list('Goes on to', p.o.map((h) => D.hops[h]).map((h) => [to(h.t), h.c.length ? ' by ' + count(h.c.length, 'call') : ' (shown inside)'])),
    list('Findings', p.g.map(finding)),
  ].flat(2);
}
function hopDetails(at) {
  const h = D.hops[at];
  return [el('p', {}, 'From ', to(h.f), ' to ', to(h.t)), h.c.length ? list(count(h.c.length, 'call'), h.c.map(call)) : el('p', {}, 'Shown inside.')].flat();
}
function panel(title, content) {
  $('panel').replaceChildren(el('button', { type: 'button', class: 'close', on: closePanel }, 'Close'), el('h2', {}, title), ...content);
  $('panel').hidden = false;
  $('panel').scrollTop = 0;
  $('panel').focus();
}
function closePanel() { $('panel').hidden = true; choose(null, null); history.replaceState(null, '', '#view=' + (views.find((id) => !$(id).hidden) || 'overview')); }
function choose(at, hop) {
  for (const node of document.querySelectorAll('.chosen')) node.classList.remove('chosen');
  if (at !== null) for (const [, node] of nodesOf.get(at) || []) node.classList.add('chosen');
  if (hop !== null) for (const node of document.querySelectorAll('.hop[data-hop="' + hop + '"]')) node.classList.add('chosen');
}
function open(at) { location.hash = 'place=' + at; }
function showPlace(at) {
  const drawn = (nodesOf.get(at) || [])[0];
  if (drawn && drawn[0] !== current) turnTo(drawn[0]);
  choose(at, null);
  panel(place(at).n, placeDetails(at));
  if (drawn && !$('picture').hidden) centre(drawn[1]);
}

// What the address says is what is shown.
function follow() {
  const [key, value] = location.hash.slice(1).split('=');
  const number = Number(value);
  if (key === 'place' && D.places[number]) showPlace(number);
  else if (key === 'hop' && D.hops[number]) { choose(null, number); panel(place(D.hops[number].f).n + ' → ' + place(D.hops[number].t).n, hopDetails(number)); }
  else if (key === 'view' && views.includes(value)) show(value);
  else if (!location.hash) show('overview');
}
window.addEventListener('hashchange', follow);
window.addEventListener('beforeprint', () => {
  views.forEach((view) => tables[view] && tables[view]());
  printers.forEach((print) => print());
});
show('picture');
follow();
