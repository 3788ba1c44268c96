/** All SQL of reports. */
const HEAD = `r.id, r.version, r.wording, r.number, r.sha256, to_char(r.issued_at at time zone 'UTC', 'YYYY-MM-DD') as issued_at,
  (select u.name from users u where u.id = r.issued_by) as issued_by`;

/** Drafts of visits, the newest of each. $1: ids of the visits. */
export const DRAFTS_OF = `select distinct on (r.visit_id) r.visit_id, ${HEAD} from reports r
  where r.visit_id = any($1::text[]) and r.issued_at is null order by r.visit_id, r.updated_at desc`;
export const ISSUED_OF_TREE = `select ${HEAD} from reports r join visits v on v.firm_id = r.firm_id and v.id = r.visit_id
  where v.tree_id = $1 and r.issued_at is not null order by r.number desc`;
export const REPORT = `select ${HEAD}, r.content, v.tree_id, a.verdict, f.judgements
  from reports r join visits v on v.firm_id = r.firm_id and v.id = r.visit_id
  join firms f on f.firm_id = r.firm_id
  left join assessments a on a.firm_id = r.firm_id and a.id = r.assessment_id where r.id = $1`;
export const REPORT_PDF = 'select pdf, number from reports where id = $1 and issued_at is not null';
export const ADD_DRAFT = `insert into reports (firm_id, id, visit_id, wording, updated_by) values (current_firm(), $1, $2, $3, current_actor())
  on conflict (firm_id, visit_id) where issued_at is null do nothing returning version`;
export const SET_WORDING = `update reports set wording = $2 where id = $1 and version = $3 and issued_at is null returning version`;

export const NEWEST_ISSUED = `select id, number, content from reports where visit_id = $1 and issued_at is not null
  order by issued_at desc, number desc limit 1`;

/** Numbers of a year without gaps: the last one taken, the row held, and the next one taken if it is still the next. */
export const LAST_NUMBER = 'select last from report_counters where year = $1';
export const HOLD_COUNTER = `insert into report_counters as c (firm_id, year, last) values (current_firm(), $1, 0)
  on conflict (firm_id, year) do update set last = c.last returning last`;
export const TAKE_NUMBER =
  'update report_counters set last = last + 1 where year = $1 and last = $2 returning last';
export const ADD_ASSESSMENT = `insert into assessments (firm_id, id, visit_id, verdict_engine, prescription_engine, verdict, prescription, judgements)
  values (current_firm(), $1, $2, $3, $4, $5, $6, $7)`;

/** Issued reports of properties. */
const PROPERTY_HEAD = `r.id, r.property_id, p.name as property, r.number, r.sha256, to_char(r.issued_at at time zone 'UTC', 'YYYY-MM-DD') as issued_at`;
const PROPERTY_REPORTS =
  'property_reports r join properties p on p.firm_id = r.firm_id and p.id = r.property_id';
export const ISSUED_OF_PROPERTY = `select ${PROPERTY_HEAD} from ${PROPERTY_REPORTS} where r.property_id = $1 order by r.number desc`;
/** $2: the length whose document is wanted. */
export const PROPERTY_REPORT = `select ${PROPERTY_HEAD}, r.documents -> $2 as document from ${PROPERTY_REPORTS} where r.id = $1`;
export const PROPERTY_FIGURES = `select ${PROPERTY_HEAD}, r.figures from ${PROPERTY_REPORTS} where r.id = $1`;
export const PROPERTY_PDF = 'select pdf, number from property_reports where id = $1';
export const NEWEST_OF_PROPERTY = `select id, number, documents from property_reports where property_id = $1
  order by issued_at desc, number desc limit 1`;
export const ADD_PROPERTY_REPORT = `insert into property_reports (firm_id, id, property_id, number, documents, figures, pdf, sha256, issued_by)
  values (current_firm(), $1, $2, $3, $4, $5, $6, $7, current_actor())`;

export const ISSUED_HERE = 'select number, firm, issued_on as "on" from auth_issued($1)';
export const ISSUE = `update reports set number = $2, content = $3, pdf = $4, sha256 = $5, assessment_id = $6, issued_at = now(),
  issued_by = current_actor() where id = $1 and issued_at is null and version = $7 returning id`;
