/** The page's nonce: styles written into the page must carry it. */
export const pageNonce = (): string =>
  document.querySelector<HTMLMetaElement>('meta[name="crenna-nonce"]')?.content ?? "";
