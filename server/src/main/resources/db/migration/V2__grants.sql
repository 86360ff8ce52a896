-- The server works as ${appUser}: it may add evidence but neither change nor delete it.
GRANT SELECT, INSERT ON raw_page TO ${appUser};
GRANT SELECT, INSERT ON reading TO ${appUser};
GRANT SELECT, INSERT ON reading_page TO ${appUser};
GRANT SELECT, INSERT ON link_event TO ${appUser};
GRANT SELECT, INSERT ON job_sign TO ${appUser};
GRANT SELECT, INSERT ON data_stance TO ${appUser};
GRANT SELECT, INSERT ON ruling TO ${appUser};
GRANT SELECT, INSERT ON trace_entry TO ${appUser};

GRANT SELECT, INSERT, UPDATE ON account TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON customer TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON machine TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON part TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON part_place TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON job TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON bay TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON probe TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON enrolment_code TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON read_request TO ${appUser};

GRANT SELECT, INSERT, DELETE ON failed_attempt TO ${appUser};
GRANT SELECT, INSERT, DELETE ON live_event TO ${appUser};
GRANT SELECT, INSERT, UPDATE, DELETE ON SPRING_SESSION TO ${appUser};
GRANT SELECT, INSERT, UPDATE, DELETE ON SPRING_SESSION_ATTRIBUTES TO ${appUser};
