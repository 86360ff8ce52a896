package tekmerion.server.jobview;

import io.swagger.v3.oas.annotations.media.Schema;

/** Those parts of the job's view that were asked for, all of one moment; null is not asked for. */
record JobAspects(
    @Schema(nullable = true) JobCase jobCase,
    @Schema(nullable = true) JobCustody custody,
    @Schema(nullable = true) JobEvidence evidence,
    @Schema(nullable = true) JobDiagnosis diagnosis,
    @Schema(nullable = true) JobPlan plan,
    @Schema(nullable = true) JobHistory history) {}
