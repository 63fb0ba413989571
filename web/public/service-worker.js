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
importScripts('./ngsw-worker.js');
