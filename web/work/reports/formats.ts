/** The ways in which a report leaves the application. */
export const REPORT_FORMATS = {
  pdf: 'application/pdf',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  md: 'text/markdown; charset=utf-8',
  json: 'application/json',
} as const;
export type ReportFormat = keyof typeof REPORT_FORMATS;

export const isReportFormat = (text: string): text is ReportFormat => Object.hasOwn(REPORT_FORMATS, text);
