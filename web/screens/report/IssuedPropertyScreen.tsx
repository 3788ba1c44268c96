'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ReadDocument } from '../../protocol/document';
import type { Language } from '../../language/languages';
import type { Length } from '../../protocol/lengths';
import type { IssuedPropertyHead } from '../../protocol/propertyWork';
import { IssuedPage } from './IssuedPage';
import { DocumentBody } from './ReportBody';

/** An issued report of a property in one length; another one is another address. */
export function IssuedPropertyScreen({
  head,
  doc,
  length,
  language,
}: {
  head: IssuedPropertyHead;
  doc: ReadDocument;
  length: Length;
  language: Language;
}) {
  const router = useRouter();
  // What was chosen shows at once; the document follows.
  const [chosen, choose] = useState({ length, language });
  const go = (to: Length, by: Language) => {
    choose({ length: to, language: by });
    router.replace(`/property-reports/${head.id}?length=${to}&language=${by}`, { scroll: false });
  };
  return (
    <IssuedPage
      of="property"
      from={{ href: `/grounds/${head.property_id}/work`, label: head.property }}
      number={head.number}
      issued={head.issued_at}
      sha256={head.sha256}
      {...chosen}
      onLength={(wanted) => go(wanted, chosen.language)}
      onLanguage={(wanted) => go(chosen.length, wanted)}
      file={(format) =>
        `/api/property-reports/${head.id}/file?format=${format}&length=${length}&language=${language}`
      }
    >
      <DocumentBody doc={doc} />
    </IssuedPage>
  );
}
