// The page's token against forged requests.
export function token() {
  const meta = document.querySelector('meta[name="csrf"]');
  return { header: meta?.dataset.header, value: meta?.content };
}

/** Fetched afresh, for a page that may have outlived its session. */
export async function freshToken(url) {
  const answer = await fetch(url, { headers: { Accept: "application/json" }, cache: "no-store" });
  if (!answer.ok) throw new Error(String(answer.status));
  const fresh = await answer.json();
  const meta = document.querySelector('meta[name="csrf"]');
  meta.content = fresh.token;
  meta.dataset.header = fresh.header;
  // Plain forms carry a token of their own.
  for (const field of document.querySelectorAll('input[name="_csrf"]')) field.value = fresh.token;
  return { header: fresh.header, value: fresh.token };
}

/** Posts and says how it went, as fetch does. */
export function post(url, body, headers = {}) {
  const { header, value } = token();
  return fetch(url, { method: "POST", headers: { Accept: "application/json", [header]: value, ...headers }, body });
}
