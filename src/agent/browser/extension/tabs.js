/**
 * Runs in a hidden page of the browser, for as long as the agent is connected: tells how its windows and tabs are, and does
 * what the debugging protocol alone cannot. Private windows are not seen from here.
 */
const CHANGES = [
  ...['onCreated', 'onUpdated', 'onMoved', 'onActivated', 'onAttached', 'onRemoved', 'onReplaced'].map(
    (name) => chrome.tabs[name],
  ),
  ...['onCreated', 'onRemoved', 'onFocusChanged', 'onBoundsChanged'].map((name) => chrome.windows[name]),
];
// The agent puts this function there.
for (const change of CHANGES) change.addListener(() => globalThis.keyFoldChanged?.(''));

globalThis.keyFold = {
  async state() {
    const [windows, tabs, targets] = await Promise.all([
      chrome.windows.getAll({ windowTypes: ['normal'] }),
      chrome.tabs.query({ windowType: 'normal' }),
      chrome.debugger.getTargets(),
    ]);
    const targetOf = new Map(targets.map(({ tabId, id }) => [tabId, id]));
    return {
      windows: windows.map(({ id, left, top, width, height, focused }) => ({
        id,
        box: { x: left, y: top, width, height },
        focused,
      })),
      tabs: tabs.map(({ id, windowId, title, url, active, lastAccessed = 0 }) => ({
        id,
        window: windowId,
        target: targetOf.get(id) ?? null,
        title: title ?? '',
        url: url ?? '',
        shown: active,
        used: lastAccessed,
      })),
    };
  },

  show: (tab) => chrome.tabs.update(tab, { active: true }),

  carry: (tab, index) => chrome.tabs.move(tab, { index }),

  open: (windowId) => chrome.tabs.create({ windowId, active: true }),

  /**
   * Closes a tab that shows nothing yet, in which there is no page that could ask first; tells whether the tab is gone.
   */
  async closeIfBlank(id) {
    const tab = await chrome.tabs.get(id).catch(() => null);
    if (tab?.url) return false;
    if (tab) await chrome.tabs.remove(id);
    return true;
  },

  tearOff: (tabId, box) => chrome.windows.create({ tabId, focused: true, ...box }),

  async join(tabs, windowId, shown) {
    await chrome.tabs.move(tabs, { windowId, index: -1 });
    await chrome.tabs.update(shown, { active: true });
  },

  /**
   * With its history, as long as the browser remembers it; else its pages anew. Without pages it is what closed last. Answers
   * with the tabs that are back.
   */
  async reopen(urls) {
    const closed = await chrome.sessions.getRecentlyClosed();
    const pages = ({ tab, window }) => (tab ? [tab] : window.tabs).map(({ url }) => url);
    const found = closed.find((one) => urls.length === 0 || String(pages(one)) === String(urls));
    if (found) {
      const { tab, window } = await chrome.sessions.restore((found.tab ?? found.window).sessionId);
      return (tab ? [tab] : window.tabs).map(({ id }) => id);
    }
    const made = [];
    for (const url of urls) made.push((await chrome.tabs.create({ url })).id);
    return made;
  },
};
