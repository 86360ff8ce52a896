/**
 * Jobs between installations: a job as an archive of JSON, raw pages and its report, and back. The
 * format is described in docs/formats.md and job-archive.schema.json.
 */
package tekmerion.server.exchange;
