package tekmerion.server.transaction;

import org.aopalliance.intercept.MethodInterceptor;
import org.aopalliance.intercept.MethodInvocation;
import org.springframework.aop.Advisor;
import org.springframework.aop.ProxyMethodInvocation;
import org.springframework.aop.support.ComposablePointcut;
import org.springframework.aop.support.DefaultPointcutAdvisor;
import org.springframework.aop.support.annotation.AnnotationMatchingPointcut;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Role;
import org.springframework.core.Ordered;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Methods that are {@link Transactional} and lost to another transaction are done again. */
@Configuration(proxyBeanMethods = false)
@Role(BeanDefinition.ROLE_INFRASTRUCTURE)
class DeadlockRetry implements MethodInterceptor {
  @Bean
  @Role(BeanDefinition.ROLE_INFRASTRUCTURE)
  static Advisor deadlocksAreDoneAgain() {
    DefaultPointcutAdvisor advisor =
        new DefaultPointcutAdvisor(
            new ComposablePointcut(
                    AnnotationMatchingPointcut.forMethodAnnotation(Transactional.class))
                .union(AnnotationMatchingPointcut.forClassAnnotation(Transactional.class)),
            new DeadlockRetry());
    advisor.setOrder(Ordered.LOWEST_PRECEDENCE - 1); // just outside of the transaction
    return advisor;
  }

  @Override
  public Object invoke(MethodInvocation invocation) throws Throwable {
    if (TransactionSynchronizationManager.isActualTransactionActive()) {
      return invocation.proceed(); // only whoever began it can begin it anew
    }
    return DoneAgain.<Object, Throwable>done(
        () -> ((ProxyMethodInvocation) invocation).invocableClone().proceed());
  }
}
