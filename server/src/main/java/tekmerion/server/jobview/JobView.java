package tekmerion.server.jobview;

import com.fasterxml.jackson.annotation.JsonUnwrapped;

/** Everything that the job's screen shows, by what it is about. */
record JobView(
    @JsonUnwrapped JobCase jobCase,
    @JsonUnwrapped JobCustody custody,
    @JsonUnwrapped JobEvidence evidence,
    @JsonUnwrapped JobDiagnosis diagnosis,
    @JsonUnwrapped JobPlan plan,
    @JsonUnwrapped JobHistory history) {}
