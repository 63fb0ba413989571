/*
 * Angular's service worker. One that loses the network in the middle of asking for a new version would open no page any
 * more until it is started anew; here an answer that is cut off counts as no answer, as when the network is away.
 */
const fetchAsIs = self.fetch.bind(self);
self.fetch = async (request) => {
  const response = await fetchAsIs(request);
  if (!new URL(request.url).pathname.endsWith('/ngsw.json')) return response;
  return new Response(await response.text(), response);
};
/*
 * What is asked of the server goes past it: an all-stop waits neither for the worker to be woken nor until it has kept all
 * files of a new version. A browser that knows no routes asks the worker, which leaves the request alone.
 */
self.addEventListener('install', (event) => {
  event.addRoutes?.({ condition: { urlPattern: { pathname: '/api/*' } }, source: 'network' });
});
self.addEventListener('fetch', (event) => {
  if (new URL(event.request.url).pathname.startsWith('/api/')) event.stopImmediatePropagation();
});
importScripts('./ngsw-worker.js');
