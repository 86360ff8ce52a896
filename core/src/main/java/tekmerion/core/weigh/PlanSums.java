package tekmerion.core.weigh;

/**
 * What a plan comes to, in minutes where nothing else is said.
 *
 * @param reached probability that each of its remedies is needed
 * @param copyAt before which of them the data is recovered; -1 if it is not
 * @param copyReached probability that this is needed
 * @param lost probability that data is lost
 * @param there probability that the complaint is still there when all is done
 */
record PlanSums(
    double[] reached,
    int copyAt,
    double copyReached,
    double minutes,
    double parts,
    double owner,
    double comeback,
    double data,
    double lost,
    double there) {
  double cost() {
    return minutes + parts + owner + comeback + data;
  }
}
