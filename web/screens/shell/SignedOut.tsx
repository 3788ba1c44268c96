'use client';

import { useEffect } from 'react';
import { setPerson } from '../../device/along/kept';
import { forgetLater } from '../../device/pending';
import { forgetPerson } from '../../device/person';

/** Where one signs in, nobody is: what was taken along is off the device, what waits to be sent stays. */
export function SignedOut() {
  useEffect(() => {
    forgetPerson();
    forgetLater(undefined);
    void setPerson(undefined);
  }, []);
  return null;
}
