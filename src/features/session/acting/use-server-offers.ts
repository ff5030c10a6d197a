import { useEffect, useState } from 'react';

/** What a server may offer beside the program, by the address that says so. */
type Offer = '/desks' | '/feeds' | '/lending' | '/services';

/** Whether the server of this page offers something; one that serves files alone, or cannot be reached, does not. Null until it answered. */
export function useServerOffers(address: Offer): boolean | null {
  const [offers, setOffers] = useState<boolean | null>(null);
  useEffect(() => {
    let gone = false;
    void ask(address).then((does) => !gone && setOffers(does));
    return () => {
      gone = true;
    };
  }, [address]);
  return offers;
}

async function ask(address: Offer): Promise<boolean> {
  try {
    const response = await fetch(address);
    const said: unknown = await response.json();
    return response.ok && typeof said === 'object' && said !== null && 'offers' in said && said.offers === true;
  } catch {
    return false;
  }
}
